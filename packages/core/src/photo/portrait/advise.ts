import { listed } from "../../base/listed.ts";
import { um, writeMeasure, type WriteOptions } from "../../base/length/index.ts";
import type { FacePlacement } from "./place.ts";

const SIDES = {
  top: "above the head",
  right: "at the right",
  bottom: "below",
  left: "at the left",
} as const;

/** Less than this nobody sees; µm. */
const SEEN = 50;

/** What is needed is rounded up to tenths of a millimetre, but not for a rounding itself; µm. */
const ROUNDED = 10;

/** What is missing for the rule to be met, and by how much; null where it is met. */
export function sayShort(placement: FacePlacement, write: WriteOptions): string | null {
  const { off, short, contradicts } = placement;
  if (off === 0) return null;
  if (contradicts || !short) {
    return "The rule cannot be met with this head: its figures contradict each other for these proportions. Look whether every handle is where it should be.";
  }
  const missing = (Object.keys(SIDES) as (keyof typeof SIDES)[])
    .filter((side) => short[side] > SEEN)
    .map(
      (side) =>
        `${writeMeasure(um(Math.ceil((short[side] - ROUNDED) / 100) * 100), write)} more ${SIDES[side]}`,
    );
  const needs = missing.length === 0 ? "a little more around the head" : listed(missing);
  return `The photo needs ${needs}: step back and take it again.`;
}
