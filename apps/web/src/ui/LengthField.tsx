import { readLength, um, umPer, type LengthRange, type Um, type Unit } from "@wide-quilt/core";
import type { Words } from "../words/words.ts";
import { FigureField, type Figure } from "./FigureField.tsx";

interface Props {
  label: string;
  hideLabel?: boolean;
  value: Um;
  range: LengthRange;
  words: Words;
  /** Called with a length inside the range. */
  onChange(length: Um, gesture?: string): void;
  autoFocus?: boolean;
  className?: string;
}

/** What an arrow key adds, by unit. */
const STEP: Record<Unit, number> = { mm: 1, cm: 0.1, in: 1 / 16, pt: 1, px: 1 };

/** A field that takes a length in any unit, sums included: "35mm", "3 1/2 in", "210mm/3 - 2mm". */
export function LengthField({ value, range, words, ...field }: Props) {
  const { unit, ppi } = words;
  return (
    <FigureField
      {...field}
      value={value}
      shown={words.figure(value)}
      unit={unit}
      inputMode="text"
      read={(text) => lengthInside(text, range, words)}
      step={(times) => {
        const next = value + Math.round(STEP[unit] * umPer(unit, ppi) * times);
        return um(Math.min(Math.max(next, range.least), range.most));
      }}
    />
  );
}

function lengthInside(text: string, { least, most }: LengthRange, words: Words): Figure<Um> {
  const reading = readLength(text, words);
  if (!reading.ok) return reading;
  if (reading.length < least) return { ok: false, why: `At least ${words.length(least)}.` };
  if (reading.length > most) return { ok: false, why: `At most ${words.length(most)}.` };
  return { ok: true, value: reading.length };
}
