import { readDay } from "@wide-quilt/core";
import { useState } from "react";

interface Props {
  label: string;
  /** “2027-03-28”; empty where none is chosen. */
  value: string;
  onChange(day: string): void;
}

/** A day, chosen in the browser’s own way. */
export function DayField({ label, value, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
      {label}
      <input
        type="date"
        min="1583-01-01"
        max="9999-12-31"
        value={typed ?? value}
        className="measure w-full rounded-md border border-edge bg-white px-2 py-1.5 text-[12.5px] text-ink"
        onChange={({ target }) => {
          // While a year is being typed it is no day yet.
          if (readDay(target.value) === null) return setTyped(target.value);
          setTyped(null);
          onChange(target.value);
        }}
        onBlur={() => setTyped(null)}
      />
    </label>
  );
}
