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
  const seen = { only: "seen" } as const;
  const printed = engine.conversion(from, printer, { ...seen, intent, blackPoint, depth: 16 })(rgb);
  const shown = engine.conversion(printer, screen, {
    ...seen,
    intent: paperWhite ? "absolute" : "relative",
    blackPoint: !paperWhite && blackPoint,
    depth: 8,
  })(printed);
  const apart = gamutTable(engine, from, printer);
  const out = new Uint8ClampedArray(count * 4);
  let beyond = 0;
  for (let i = 0; i < count; i++) {
    const isOutside = between(apart, rgb[i * 3]!, rgb[i * 3 + 1]!, rgb[i * 3 + 2]!) > SEEN;
    if (isOutside) beyond++;
    for (let c = 0; c < 3; c++) out[i * 4 + c] = isOutside && outside ? outside[c]! : shown[i * 3 + c]!;
    out[i * 4 + 3] = 255;
  }
  return { pixels: out, outside: count === 0 ? 0 : beyond / count };
}

/** Points along each channel at which it is worked out how far a printer is from a colour. */
const GRID = 33;
const tables = new WeakMap<OpenedProfile, WeakMap<OpenedProfile, Float32Array>>();

/** By red, green and blue on a grid: how far the printer’s nearest colour is, in ΔE 2000. */
function gamutTable(engine: ColourEngine, from: OpenedProfile, printer: OpenedProfile): Float32Array {
  let known = tables.get(from);
  if (!known) tables.set(from, (known = new WeakMap()));
  let table = known.get(printer);
  if (!table) {
    const colours = new Uint16Array(GRID ** 3 * 3);
    for (let i = 0; i < GRID ** 3; i++) {
      const at = [Math.floor(i / GRID ** 2), Math.floor(i / GRID) % GRID, i % GRID];
      at.forEach((step, c) => (colours[i * 3 + c] = Math.round((step / (GRID - 1)) * 65_535)));
    }
    const nearest = { intent: "relative", blackPoint: false, depth: 16 } as const;
    const wanted = engine.toLab(from, colours, "relative");
    const got = engine.toLab(printer, engine.conversion(from, printer, nearest)(colours), "relative");
    table = Float32Array.from({ length: GRID ** 3 }, (_, i) => deltaE2000(labAt(wanted, i), labAt(got, i)));
    known.set(printer, table);
  }
  return table;
}

/** What a table has between its points, by all eight around. */
function between(table: Float32Array, red: number, green: number, blue: number): number {
  const [r, g, b] = [red, green, blue].map((v) => (v / 255) * (GRID - 1)) as [number, number, number];
  const [r0, g0, b0] = [r, g, b].map((v) => Math.min(Math.floor(v), GRID - 2)) as [number, number, number];
  let sum = 0;
  for (let corner = 0; corner < 8; corner++) {
    const [i, j, k] = [corner & 1, (corner >> 1) & 1, corner >> 2];
    const weight = (i ? r - r0 : 1 - (r - r0)) * (j ? g - g0 : 1 - (g - g0)) * (k ? b - b0 : 1 - (b - b0));
    if (weight > 0) sum += weight * table[((r0 + i) * GRID + g0 + j) * GRID + b0 + k]!;
  }
  return sum;
}

const labAt = (values: Float32Array, i: number): Lab => [
  values[i * 3]!,
  values[i * 3 + 1]!,
  values[i * 3 + 2]!,
];
