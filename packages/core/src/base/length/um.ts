/**
 * A length in integer micrometres, the only unit inside the program.
 *
 * 25 400 µm are one inch and 1 000 µm one millimetre, both exact: equality is `===`, and sums close.
 */
export type Um = number & { readonly __unit: "µm" };

/** Micrometres in one inch (exact since the international yard and pound agreement, 1959). */
export const UM_PER_INCH = 25_400;

/** Takes a number that is already whole micrometres. Throws a RangeError when it is not whole. */
export function um(value: number): Um {
  if (!Number.isSafeInteger(value)) throw new RangeError(`${value} is not a whole number of micrometres`);
  // Adding zero turns -0 into 0, which would otherwise survive into files and comparisons.
  return (value + 0) as Um;
}

/** The whole micrometre nearest to a computed value. */
export const nearest = (value: number): Um => um(Math.round(value));

/** Millimetres to micrometres, to the nearest. */
export const mm = (value: number): Um => nearest(value * 1000);

/** Inches to micrometres, to the nearest. */
export const inch = (value: number): Um => nearest(value * UM_PER_INCH);
