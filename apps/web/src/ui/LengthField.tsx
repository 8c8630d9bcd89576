import { useId, useState, type KeyboardEvent } from "react";
import { readLength, um, umPer, type LengthRange, type Um, type Unit } from "@wide-quilt/core";
import type { Words } from "../words/words.ts";

interface Props {
  /** Read out for the field; shown too unless it is hidden. */
  label: string;
  hideLabel?: boolean;
  value: Um;
  range: LengthRange;
  words: Words;
  /** Called with a length inside the range. Arrow keys send a gesture, so that a run of them is one step to undo. */
  onChange(length: Um, gesture?: string): void;
  autoFocus?: boolean;
  className?: string;
}

/** What an arrow key adds, by unit: with Shift ten times, with Alt a tenth. */
const STEP: Record<Unit, number> = { mm: 1, cm: 0.1, in: 1 / 16, pt: 1, px: 1 };

/** A field that takes a length in any unit, sums included: "35mm", "3 1/2 in", "210mm/3 - 2mm". */
export function LengthField({
  label,
  hideLabel,
  value,
  range,
  words,
  onChange,
  autoFocus,
  className = "",
}: Props) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const [gesture] = useState(() => crypto.randomUUID());
  const shown = typed ?? words.figure(value);

  const take = (text: string) => {
    const reading = readLength(text, words);
    if (!reading.ok) return setWhy(reading.why);
    const fault = outside(reading.length, range, words);
    if (fault) return setWhy(fault);
    setWhy(null);
    setTyped(null);
    if (reading.length !== value) onChange(reading.length);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") {
      event.preventDefault();
      take(shown);
    } else if (event.key === "Escape" && typed !== null) {
      event.stopPropagation();
      setTyped(null);
      setWhy(null);
    } else if (event.key === "ArrowUp" || event.key === "ArrowDown") {
      event.preventDefault();
      const times = (event.shiftKey ? 10 : event.altKey ? 0.1 : 1) * (event.key === "ArrowUp" ? 1 : -1);
      const next = value + Math.round(STEP[words.unit] * umPer(words.unit, words.ppi) * times);
      const kept = um(Math.min(Math.max(next, range.least), range.most));
      setTyped(null);
      setWhy(null);
      if (kept !== value) onChange(kept, gesture);
    }
  };
  return (
    <div className={`flex flex-col gap-1 ${className}`}>
      <label htmlFor={id} className={hideLabel ? "sr-only" : "text-[12.5px] text-ink-2"}>
        {label}
      </label>
      <span className="relative">
        <input
          id={id}
          value={shown}
          autoFocus={autoFocus}
          inputMode="text"
          autoComplete="off"
          spellCheck={false}
          aria-invalid={why !== null}
          aria-describedby={why === null ? undefined : `${id}-why`}
          className={`measure w-full rounded-md border bg-white py-1.5 pr-8 pl-1.5 text-right font-medium ${why === null ? "border-edge" : "border-wrong"}`}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => typed !== null && take(typed)}
          onKeyDown={onKeyDown}
        />
        <span
          aria-hidden
          className="measure pointer-events-none absolute top-1/2 right-2 -translate-y-1/2 text-[11px] text-ink-3"
        >
          {words.unit}
        </span>
      </span>
      {why !== null && (
        <p id={`${id}-why`} role="alert" className="text-[12px] text-wrong">
          {why}
        </p>
      )}
    </div>
  );
}

function outside(length: Um, { least, most }: LengthRange, words: Words): string | null {
  if (length < least) return `At least ${words.length(least)}.`;
  if (length > most) return `At most ${words.length(most)}.`;
  return null;
}
