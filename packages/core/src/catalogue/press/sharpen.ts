import type { Size } from "../../base/geometry/index.ts";
import { mm } from "../../base/length/index.ts";
import type { Medium } from "./schema.ts";

export const STRENGTHS = ["low", "normal", "high"] as const;
export type Strength = (typeof STRENGTHS)[number];

/** Sharpening of lightness on paper: unsharp masking with a Gaussian. */
export interface Sharpening {
  /** Standard deviation of the Gaussian, in micrometres on paper. */
  radius: number;
  /** How many times the difference to the blurred picture is added. */
  amount: number;
}

/** The conventional near point, from which something held in the hand is looked at (ISO 8039, reference viewing distance). */
const NEAR = mm(250);
/** What an eye of acuity 1.0 just resolves: one minute of arc (ISO 8596:2017, 4). */
const RESOLVED = Math.tan(Math.PI / 180 / 60);

const STRENGTH: Record<Strength, number> = { low: 0.5, normal: 1, high: 1.6 };
/** Ink spreads further on rougher paper, so edges are given more against it. */
const AGAINST: Record<Exclude<Medium, "none">, number> = { glossy: 0.8, matte: 1.1, canvas: 1.4 };

/**
 * How a piece is sharpened for its paper, from its printed size alone. The halo is as wide as an eye of acuity 1.0 just
 * resolves at the distance that the piece is looked at from: its diagonal, which is what the usual circle of confusion
 * (1/1500 of the diagonal) rests on too, and not nearer than 250 mm. It is seen as an edge, not as a halo.
 *
 *     radius = max(250 mm, √(width² + height²)) · tan 1′        0.073 mm for a 10 × 15 cm print, 0.87 px at 300 ppi
 */
export function sharpening(
  strength: Strength | null,
  medium: Medium,
  { width, height }: Size,
): Sharpening | null {
  if (strength === null || medium === "none") return null;
  return {
    radius: Math.max(NEAR, Math.hypot(width, height)) * RESOLVED,
    amount: STRENGTH[strength] * AGAINST[medium],
  };
}
