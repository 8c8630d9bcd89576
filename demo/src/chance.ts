export { chance } from "@wide-quilt/core";

/** A number between two others. */
export const between = (random: () => number, from: number, to: number): number =>
  from + (to - from) * random();
