import {
  readLength,
  readSize,
  um,
  umPer,
  unitOf,
  writeFigure,
  type LengthRange,
  type Size,
  type Um,
  type Unit,
} from "@wide-quilt/core";
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
  /** Where the field is one of a pair: called with both when both are typed into it, "35 × 45". */
  onPair?(size: Size): void;
  autoFocus?: boolean;
  className?: string;
}

/** What an arrow key adds, by unit. */
const STEP: Record<Unit, number> = { mm: 1, cm: 0.1, in: 1 / 16, pt: 1, px: 1 };

/** A field that takes a length in any unit, sums included: "35mm", "3 1/2 in", "210mm/3 - 2mm". */
export function LengthField({ value, range, words, onPair, ...field }: Props) {
  // What stands there is read as it stands: a bare figure that is typed is in the unit that is shown.
  const unit = unitOf([value], words);
  const shown = { ...words, unit };
  const { ppi } = words;
  return (
    <FigureField
      {...field}
      value={value}
      shown={writeFigure(value, shown)}
      unit={unit}
      inputMode="text"
      read={(text) => (onPair && pairInside(text, range, shown, onPair)) ?? lengthInside(text, range, shown)}
      step={(times) => {
        const next = value + Math.round(STEP[unit] * umPer(unit, ppi) * times);
        return um(Math.min(Math.max(next, range.least), range.most));
      }}
    />
  );
}

function lengthInside(text: string, range: LengthRange, words: Words): Figure<Um> {
  const reading = readLength(text, words);
  return reading.ok ? inside(reading.length, range, words) : reading;
}

/** Both lengths of a pair; null where the text is not of two. */
function pairInside(
  text: string,
  range: LengthRange,
  words: Words,
  onPair: (size: Size) => void,
): Figure<Um> | null {
  const reading = readSize(text, words);
  if (!reading?.ok) return reading;
  const { width, height } = reading;
  const outside = [width, height].map((one) => inside(one, range, words)).find(({ ok }) => !ok);
  return outside ?? { ok: true, value: width, instead: () => onPair({ width, height }) };
}

function inside(length: Um, { least, most }: LengthRange, words: Words): Figure<Um> {
  if (length < least) return { ok: false, why: `At least ${words.length(least)}.` };
  if (length > most) return { ok: false, why: `At most ${words.length(most)}.` };
  return { ok: true, value: length };
}
