import { deltaE2000, type ColourSetup, type Lab } from "@wide-quilt/core";
import type { ColourEngine, OpenedProfile } from "./engine.ts";

export interface SoftProofSetup extends Pick<ColourSetup, "intent" | "blackPoint"> {
  /** Whether the paper's own white and black are shown, as beside a sheet of it. */
  paperWhite: boolean;
  /** Whether colours that the printer cannot print are covered with this colour. */
  outside: readonly [number, number, number] | null;
}

export interface SoftProof {
  /** RGBA of the screen's profile. */
  pixels: Uint8ClampedArray<ArrayBuffer>;
  /** Share of the pixels that the printer cannot print, 0…1. */
  outside: number;
}

/** Further than this from what can be printed a colour counts as out of gamut: about what is just seen side by side. */
const SEEN = 3;

/**
 * What a picture will look like printed: to the printer's colours by the intent, and back to the screen as the paper
 * shows them. A colour is out of gamut where the printer's nearest one (relative colorimetric, ICC.1:2022, 6.2.3) differs
 * from it by more than ΔE 2000 of 3.
 *
 * `pixels` are RGBA of the `from` profile.
 */
export function softProof(
  engine: ColourEngine,
  pixels: Uint8ClampedArray,
  profiles: { from: OpenedProfile; printer: OpenedProfile; screen: OpenedProfile },
  { intent, blackPoint, paperWhite, outside }: SoftProofSetup,
): SoftProof {
  const { from, printer, screen } = profiles;
  const count = pixels.length / 4;
  const rgb = new Uint8Array(count * 3);
  for (let i = 0; i < count; i++) rgb.set(pixels.subarray(i * 4, i * 4 + 3), i * 3);
  const printed = engine.conversion(from, printer, { intent, blackPoint, depth: 16 })(rgb);
  const shown = engine.conversion(printer, screen, {
    intent: paperWhite ? "absolute" : "relative",
    blackPoint: !paperWhite && blackPoint,
    depth: 8,
  })(printed);
  const wanted = engine.toLab(from, rgb, "relative");
  const nearest = engine.conversion(from, printer, {
    intent: "relative",
    blackPoint: false,
    depth: 16,
  })(rgb);
  const got = engine.toLab(printer, nearest, "relative");
  const out = new Uint8ClampedArray(count * 4);
  let beyond = 0;
  for (let i = 0; i < count; i++) {
    const isOutside = deltaE2000(labAt(wanted, i), labAt(got, i)) > SEEN;
    if (isOutside) beyond++;
    for (let c = 0; c < 3; c++) out[i * 4 + c] = isOutside && outside ? outside[c]! : shown[i * 3 + c]!;
    out[i * 4 + 3] = 255;
  }
  return { pixels: out, outside: count === 0 ? 0 : beyond / count };
}

const labAt = (values: Float32Array, i: number): Lab => [
  values[i * 3]!,
  values[i * 3 + 1]!,
  values[i * 3 + 2]!,
];
