import { readNumber, writeNumber } from "@wide-quilt/core";
import { LOCALE } from "../app/preferences.ts";
import { FigureField, type Figure } from "./FigureField.tsx";

interface Props {
  label: string;
  value: number;
  least: number;
  most: number;
  /** Whether only whole numbers will do. */
  whole?: boolean;
  unit?: string;
  onChange(value: number, gesture?: string): void;
}

/** Decimals that are shown at most. */
const MOST_DECIMALS = 6;

/** A field for a plain number. */
export function NumberField({ value, least, most, whole = false, ...field }: Props) {
  return (
    <FigureField
      {...field}
      value={value}
      shown={writeNumber(value, LOCALE, 0, MOST_DECIMALS)}
      inputMode={whole ? "numeric" : "decimal"}
      read={(text) => numberInside(text, least, most, whole)}
      step={(times) =>
        Math.min(Math.max(Math.round(value) + (Math.round(times) || Math.sign(times)), least), most)
      }
    />
  );
}

function numberInside(text: string, least: number, most: number, whole: boolean): Figure<number> {
  const reading = readNumber(text, LOCALE);
  if (!reading.ok) return reading;
  const { value } = reading;
  if (whole && !Number.isInteger(value)) return { ok: false, why: "A whole number is wanted here." };
  if (value < least) return { ok: false, why: `At least ${least}.` };
  if (value > most) return { ok: false, why: `At most ${most}.` };
  return { ok: true, value };
}
