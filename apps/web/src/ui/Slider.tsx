import { useState } from "react";
import { newId } from "../app/ids.ts";

interface Props {
  label: string;
  value: number;
  least: number;
  most: number;
  step: number;
  /** How the value is written beside it, and read out. */
  shown: string;
  onChange(value: number, gesture: string): void;
}

/** A slider with its figure. What it drags over is one step to undo. */
export function Slider({ label, value, least, most, step, shown, onChange }: Props) {
  const [gesture, setGesture] = useState(() => newId());
  return (
    <label className="grid grid-cols-[82px_1fr_44px] items-center gap-1.5 text-[12.5px] text-ink-2">
      {label}
      <input
        type="range"
        min={least}
        max={most}
        step={step}
        value={value}
        aria-valuetext={shown}
        className="w-full accent-accent"
        onPointerDown={() => setGesture(newId())}
        onChange={(event) => onChange(Number(event.target.value), gesture)}
      />
      <span className="measure text-right text-ink">{shown}</span>
    </label>
  );
}
