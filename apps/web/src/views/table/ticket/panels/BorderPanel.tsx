import { LIMITS, mm, type Um } from "@wide-quilt/core";
import { LengthField } from "../../../../ui/LengthField.tsx";
import { LengthSlider } from "./LengthSlider.tsx";
import { keepingArrangement } from "./kept.ts";
import type { PanelProps } from "../../../../kinds/panel.tsx";

/** The white border inside the margins. */
export function BorderPanel({ job, words, change }: PanelProps) {
  const { ticket } = job;
  if (!("border" in ticket)) return null;
  const set = (border: Um, gesture?: string) =>
    change({ do: "ticket", change: keepingArrangement(job, { border }) }, gesture);
  return (
    <div className="flex flex-col gap-2">
      <LengthField label="Border" value={ticket.border} range={LIMITS.margin} words={words} onChange={set} />
      <LengthSlider
        label="Border, by sliding"
        value={ticket.border}
        most={mm(30)}
        step={mm(0.5)}
        onChange={set}
      />
      <p className="text-[12.5px] text-ink-2">
        White on all four sides, between the finished sheet’s margins and the cells.
      </p>
    </div>
  );
}
