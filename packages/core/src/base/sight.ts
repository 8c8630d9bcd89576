import { nearest, UM_PER_INCH, writeNumber, type Um, type WriteOptions } from "./length/index.ts";

/** What an eye of full acuity tells apart: one minute of arc (ISO 8596, acuity 1.0), in radians. */
const ARC_MINUTE = Math.PI / (180 * 60);

/**
 * Pixels per inch from which on nobody tells single pixels apart at a distance:
 *
 *     pitch = distance · tan 1′        ppi = 25 400 µm / pitch        1 m: 87.3 ppi
 */
export const ppiSeenFrom = (distance: Um): number => UM_PER_INCH / (distance * Math.tan(ARC_MINUTE));

/** The distance from which on a print of so many pixels per inch looks as sharp as any. */
export const sharpFrom = (ppi: number): Um => nearest(UM_PER_INCH / (ppi * Math.tan(ARC_MINUTE)));

const UM_PER_FOOT = 12 * UM_PER_INCH;

/** A distance that somebody stands away, as one would say it: “0.9 m”, or “3 ft” for readers of inches. */
export function writeAway(distance: Um, { unit, locale }: Pick<WriteOptions, "unit" | "locale">): string {
  const [of, name] = unit === "in" ? [UM_PER_FOOT, "ft"] : [1_000_000, "m"];
  const value = distance / of;
  return `${writeNumber(value, locale, 0, value < 0.95 ? 2 : 1)}\u00a0${name}`;
}
