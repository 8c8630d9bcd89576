import type { Um } from "../../base/length/index.ts";
import { shiftWithin } from "./divided.ts";

/** What seams of one direction are kept away from, in µm along the side that they divide. */
export interface Matters {
  /** Heads, from their near to their far edge. */
  heads: readonly (readonly [from: number, to: number])[];
  /** Lines that nobody cuts, such as that through both eyes; a seam on one side or the other is well. */
  eyes: readonly number[];
  /** How busy the picture is along a seam at a place: 0 quiet … 1. */
  busy(at: number): number;
}

/** What a way for seams to fall costs: the fewest heads first, then eyes, then how busy it is. */
export interface SeamCost {
  heads: number;
  eyes: number;
  busy: number;
}

/** Steps that seams are moved by, in µm. */
export const SEAM_STEP = 1000;
/** A seam nearer than this to an eye line goes through it, in µm. */
const AT_EYES = 1500;

export function seamCost(seams: readonly number[], matters: Matters): SeamCost {
  const count = <T>(of: readonly T[], goes: (one: T, seam: number) => boolean) =>
    seams.reduce((sum, seam) => sum + of.filter((one) => goes(one, seam)).length, 0);
  return {
    heads: count(matters.heads, ([from, to], seam) => seam > from && seam < to),
    eyes: count(matters.eyes, (eye, seam) => Math.abs(seam - eye) < AT_EYES),
    busy: seams.reduce((sum, seam) => sum + matters.busy(seam), 0),
  };
}

export const cheaper = (a: SeamCost, b: SeamCost): boolean =>
  a.heads !== b.heads ? a.heads < b.heads : a.eyes !== b.eyes ? a.eyes < b.eyes : a.busy < b.busy - 1e-9;

/**
 * How far seams are moved so that they harm least: of all whole millimetres that sheets allow, the cheapest; of equals the
 * nearest to where they fall by themselves. `seams` is where they fall unmoved; moving takes them towards the beginning.
 */
export function bestShift(
  seams: readonly Um[],
  { least, most }: { least: Um; most: Um },
  matters: Matters,
): { shift: number; cost: SeamCost } {
  const at = (shift: number) =>
    seamCost(
      seams.map((seam) => seam - shift),
      matters,
    );
  const unmoved = shiftWithin({ least, most }, 0);
  let best: { shift: number; cost: SeamCost } = { shift: unmoved, cost: at(unmoved) };
  const first = Math.ceil(least / SEAM_STEP);
  const last = Math.floor(most / SEAM_STEP);
  const steps = Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * SEAM_STEP);
  steps.sort((a, b) => Math.abs(a) - Math.abs(b) || b - a);
  for (const shift of steps) {
    const cost = at(shift);
    if (cheaper(cost, best.cost)) best = { shift, cost };
  }
  return best;
}
