import { toPx } from "./pixels.ts";
import { UM_PER_INCH, type Um } from "./um.ts";
import { umPer, type Unit } from "./unit.ts";

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

/**
 * The unit that lengths are shown in: the reader’s where all of them are round there, the other system’s where they are
 * round in that, else the reader’s. Round is what at most two decimals say exactly, or a common fraction of an inch. What
 * belongs together is asked about together, so that both sides of a size are in one unit. Points and pixels stay.
 *
 *     35 × 45 mm for a reader of inches: mm      2 × 3½ in for a reader of mm: mm (50.8 × 88.9)      1/16 in: in
 */
export function unitOf(lengths: readonly Um[], { unit }: Pick<WriteOptions, "unit">): Unit {
  if (unit === "pt" || unit === "px") return unit;
  const other = unit === "in" ? ("mm" as const) : ("in" as const);
  return [unit, other].find((one) => lengths.every((length) => isRound(length, one))) ?? unit;
}

/** What two decimals say, in µm; a hundredth of an inch is 254 µm exactly. */
const HUNDREDTH: Record<"mm" | "cm" | "in", number> = { mm: 10, cm: 100, in: 254 };
/** Inches are divided into no finer parts than this. */
const FINEST = 16;

const isRound = (length: Um, unit: "mm" | "cm" | "in"): boolean =>
  isMultiple(length, HUNDREDTH[unit]) || (unit === "in" && isMultiple(length, UM_PER_INCH / FINEST));

/** Lengths are whole micrometres, so that a multiple may be half a one off. */
const isMultiple = (length: Um, of: number): boolean =>
  Math.abs(length / of - Math.round(length / of)) * of < 0.5001;

/** The figure of a length in a unit, without the unit: 88 900 µm in inches is "3.5", 85 725 µm "3 3/8". */
export function writeFigure(length: Um, { unit, ppi, locale, least = 0 }: WriteOptions): string {
  const isFraction = unit === "in" && !isMultiple(length, HUNDREDTH.in) && isRound(length, unit);
  if (isFraction) return writeFraction(length);
  const value = unit === "px" ? toPx(length, ppi) : length / umPer(unit, ppi);
  const most = DECIMALS[unit];
  return writeNumber(value, locale, Math.min(least, most), most);
}

/** "3 3/8", "-1/16" */
function writeFraction(length: Um): string {
  const parts = Math.round((Math.abs(length) * FINEST) / UM_PER_INCH);
  const whole = Math.floor(parts / FINEST);
  let [above, below] = [parts % FINEST, FINEST];
  while (above % 2 === 0) [above, below] = [above / 2, below / 2];
  return `${length < 0 ? "-" : ""}${whole > 0 ? `${whole} ` : ""}${above}/${below}`;
}

/** A length with its unit, joined by a no-break space: "35 mm". */
export function writeLength(length: Um, options: WriteOptions): string {
  const unit = unitOf([length], options);
  return `${writeFigure(length, { ...options, unit })}\u00a0${unit}`;
}

/** Two lengths that belong together, never broken over two lines: "35 × 45 mm". */
export function writeSize({ width, height }: { width: Um; height: Um }, options: WriteOptions): string {
  const unit = unitOf([width, height], options);
  const [w, h] = [width, height].map((side) => writeFigure(side, { ...options, unit }));
  return `${w}\u00a0×\u00a0${h}\u00a0${unit}`;
}

/** The lengths from one to another: "32 to 36 mm". */
export function writeSpan({ from, to }: { from: Um; to: Um }, options: WriteOptions): string {
  if (from === to) return writeLength(from, options);
  const unit = unitOf([from, to], options);
  return `${writeFigure(from, { ...options, unit })} to ${writeFigure(to, { ...options, unit })}\u00a0${unit}`;
}

/** A length that was measured or worked out, in the reader’s unit however it comes out there. */
export const writeMeasure = (length: Um, options: WriteOptions): string =>
  `${writeFigure(length, options)}\u00a0${options.unit}`;
