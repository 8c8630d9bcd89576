import { toPx } from "./pixels.ts";
import { umPer, type Unit } from "./unit.ts";
import type { Um } from "./um.ts";

export interface WriteOptions {
  unit: Unit;
  /** Pixels per inch of the sheet, for px. */
  ppi: number;
  /** A BCP 47 tag; decides the decimal sign. */
  locale?: string;
  /** Decimals always written, at most the unit's own number of decimals. Default 0. */
  least?: number;
}

/** Decimals that tell a tenth of a millimetre apart in every unit (px are whole when they are exact). */
const DECIMALS: Record<Unit, number> = { mm: 2, cm: 3, in: 3, pt: 1, px: 1 };

const formats = new Map<string, Intl.NumberFormat>();
const signs = new Map<string, string>();

/** A language with the digits 0 to 9, which every field here takes (Unicode TR 35, key “nu”). */
const inPlainDigits = (locale = "en"): string =>
  new Intl.Locale(locale, { numberingSystem: "latn" }).toString();

/** The sign before decimals as a country writes them: a point or a comma. */
export function decimalSign(locale: string | undefined): string {
  const tag = inPlainDigits(locale);
  const known = signs.get(tag);
  if (known !== undefined) return known;
  const parts = new Intl.NumberFormat(tag).formatToParts(1.5);
  const sign = parts.find(({ type }) => type === "decimal")?.value ?? ".";
  signs.set(tag, sign);
  return sign;
}

/** A number as the reader's country writes it, with between `least` and `most` decimals. */
export function writeNumber(value: number, locale: string | undefined, least: number, most: number): string {
  const key = `${locale ?? ""}|${least}|${most}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.NumberFormat(inPlainDigits(locale), {
      minimumFractionDigits: least,
      maximumFractionDigits: most,
      useGrouping: false,
    });
    formats.set(key, format);
  }
  return format.format(value);
}

/** The figure of a length in a unit, without the unit: 88 900 µm in inches is "3.5". */
export function writeFigure(length: Um, { unit, ppi, locale, least = 0 }: WriteOptions): string {
  const value = unit === "px" ? toPx(length, ppi) : length / umPer(unit, ppi);
  const most = DECIMALS[unit];
  return writeNumber(value, locale, Math.min(least, most), most);
}

/** A length with its unit, joined by a no-break space: "35 mm". */
export function writeLength(length: Um, options: WriteOptions): string {
  return `${writeFigure(length, options)}\u00a0${options.unit}`;
}

/** Two lengths that belong together, never broken over two lines: "35 × 45 mm". */
export function writeSize(size: { width: Um; height: Um }, options: WriteOptions): string {
  const [w, h] = [writeFigure(size.width, options), writeFigure(size.height, options)];
  return `${w}\u00a0×\u00a0${h}\u00a0${options.unit}`;
}
