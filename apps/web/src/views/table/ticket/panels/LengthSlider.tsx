import { um, type Um } from "@wide-quilt/core";
import { useState } from "react";
import { newId } from "../../../../app/ids.ts";

interface Props {
  label: string;
  value: Um;
  most: Um;
  step: Um;
  onChange(length: Um, gesture: string): void;
}

/** A slider beside a length field, for trying. What it drags over is one step to undo. */
export function LengthSlider({ label, value, most, step, onChange }: Props) {
  const [gesture, setGesture] = useState(() => newId());
  return (
    <input
      type="range"
      aria-label={label}
      min={0}
      max={Math.max(most, value)}
      step={step}
      value={value}
      className="w-full accent-accent"
      onPointerDown={() => setGesture(newId())}
      onChange={(event) => onChange(um(Number(event.target.value)), gesture)}
    />
  );
}
