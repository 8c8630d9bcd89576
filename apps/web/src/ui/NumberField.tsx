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

/** A field for a plain number. */
export function NumberField({ value, least, most, whole = false, ...field }: Props) {
  return (
    <FigureField
      {...field}
      value={value}
      shown={String(value)}
      inputMode={whole ? "numeric" : "decimal"}
      read={(text) => numberInside(text, least, most, whole)}
      step={(times) =>
        Math.min(Math.max(Math.round(value) + (Math.round(times) || Math.sign(times)), least), most)
      }
    />
  );
}

function numberInside(text: string, least: number, most: number, whole: boolean): Figure<number> {
  const value = Number(text.trim().replace(",", "."));
  const isNone = text.trim() === "" || !Number.isFinite(value) || (whole && !Number.isInteger(value));
  if (isNone)
    return { ok: false, why: whole ? "A whole number is wanted here." : "A number is wanted here." };
  if (value < least) return { ok: false, why: `At least ${least}.` };
  if (value > most) return { ok: false, why: `At most ${most}.` };
  return { ok: true, value };
}
