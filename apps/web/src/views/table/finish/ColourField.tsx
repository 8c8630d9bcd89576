import { useState } from "react";
import { newId } from "../../../app/ids.ts";

interface Props {
  label: string;
  value: string;
  onChange(colour: string, gesture: string): void;
}

/** A colour, chosen in the browser's own way; what is tried on the way is one step to undo. */
export function ColourField({ label, value, onChange }: Props) {
  const [gesture, setGesture] = useState(() => newId());
  return (
    <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
      {label}
      <input
        type="color"
        value={value}
        className="h-[34px] w-full rounded-md border border-edge bg-white p-1"
        onFocus={() => setGesture(newId())}
        onChange={(event) => onChange(event.target.value, gesture)}
      />
    </label>
  );
}
