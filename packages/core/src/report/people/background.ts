import type { DocumentRule } from "../../catalogue/rules/index.ts";
import type { Backdrop } from "../../photo/backdrop/index.ts";
import { bytesOf, deltaE2000, labOf } from "../../photo/cutout/colour.ts";

/** What is known of the background of a document photo. */
export type BackgroundState =
  /** The rule says nothing of it. */
  | { is: "not ruled" }
  /** The rule says something, and nobody has measured the photo. */
  | { is: "not measured" }
  /** It was put behind by us, so that its colour is known: CIEDE2000 from what the rule wants, where it is farthest. */
  | { is: "put behind"; deviation: number; passes: boolean };

/**
 * How the background of a photo stands to a rule. What the camera saw is not measured; what was put behind is known to
 * the byte. A look that is worn changes colours, so that nothing is known of either.
 */
export function backgroundOf(
  { background }: DocumentRule,
  backdrop: Backdrop | undefined,
  wearsLook: boolean,
): BackgroundState {
  if (!background) return { is: "not ruled" };
  if (!backdrop || wearsLook) return { is: "not measured" };
  const { fill } = backdrop;
  const wanted = labOf(...bytesOf(background.colour));
  const colours = fill.kind === "flat" ? [fill.colour] : [fill.top, fill.bottom];
  const deviation = Math.max(...colours.map((colour) => deltaE2000(labOf(...bytesOf(colour)), wanted)));
  return { is: "put behind", deviation, passes: deviation <= background.tolerance };
}
