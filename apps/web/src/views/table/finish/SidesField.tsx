import { areEven, evenEdges, LIMITS, um, type Edges } from "@wide-quilt/core";
import { useState } from "react";
import { LengthField } from "../../../ui/LengthField.tsx";
import type { Words } from "../../../words/words.ts";

const SIDES = ["top", "right", "bottom", "left"] as const;

interface Props {
  /** What the four lengths are: “Width”. */
  label: string;
  value: Edges;
  words: Words;
  onChange(edges: Edges, gesture?: string): void;
}

/** Four lengths around a piece: one field while they are even, four once they are not. */
export function SidesField({ label, value, words, onChange }: Props) {
  const even = areEven(value);
  const [apart, setApart] = useState(!even);
  return (
    <div className="flex flex-col gap-2">
      {apart ? (
        <div className="grid grid-cols-2 gap-2">
          {SIDES.map((side) => (
            <LengthField
              key={side}
              label={`${label}, ${side === "bottom" ? "lower edge" : side}`}
              value={value[side]}
              range={LIMITS.margin}
              words={words}
              onChange={(length, gesture) => onChange({ ...value, [side]: length }, gesture)}
            />
          ))}
        </div>
      ) : (
        <LengthField
          label={label}
          value={value.top}
          range={LIMITS.margin}
          words={words}
          onChange={(length, gesture) => onChange(evenEdges(length), gesture)}
        />
      )}
      <label className="flex items-center gap-2 text-[12.5px] text-ink-2">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={apart}
          onChange={({ target }) => {
            setApart(target.checked);
            if (!target.checked && !even)
              onChange(evenEdges(um(Math.max(...SIDES.map((side) => value[side])))));
          }}
        />
        each side by itself
      </label>
    </div>
  );
}
