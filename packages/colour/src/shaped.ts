import { inverse, product } from "./matrix.ts";
import type { Curve } from "./icc/curve.ts";
import type { Shaper } from "./icc/shaper.ts";
import type { Conversion } from "./samples.ts";
import type { Samples } from "./samples.ts";

/**
 * Colours of one profile of curves and a matrix as those of another, each by itself and without a table between: to light,
 * to the light of the other's red, green and blue, and to its values. What the other has no colour for is cut off, as
 * LittleCMS does. Black is none of the light in both, so there is nothing to bring to it.
 */
export function shapedConversion(from: Shaper, to: Shaper, depth: 8 | 16): Conversion {
  const [a, b, c, d, e, f, g, h, i] = product(inverse(to.matrix), from.matrix).flat() as Nine;
  const [red, green, blue] = to.curves.map((curve) => codesOf(curve, depth)) as [Samples, Samples, Samples];
  const known = new Map<number, Float64Array[]>();
  return (pixels) => {
    const most = pixels instanceof Uint16Array ? 65_535 : 255;
    let lights = known.get(most);
    if (!lights) known.set(most, (lights = from.curves.map((curve) => lightsOf(curve, most))));
    const [r, g_, b_] = lights as [Float64Array, Float64Array, Float64Array];
    const out = depth === 8 ? new Uint8Array(pixels.length) : new Uint16Array(pixels.length);
    for (let at = 0; at < pixels.length; at += 3) {
      const [x, y, z] = [r[pixels[at]!]!, g_[pixels[at + 1]!]!, b_[pixels[at + 2]!]!];
      out[at] = red[place(a * x + b * y + c * z)]!;
      out[at + 1] = green[place(d * x + e * y + f * z)]!;
      out[at + 2] = blue[place(g * x + h * y + i * z)]!;
    }
    return out;
  };
}

type Nine = [number, number, number, number, number, number, number, number, number];

const lightsOf = (curve: Curve, most: number): Float64Array =>
  Float64Array.from({ length: most + 1 }, (_, v) => curve(v / most));

/** Values are looked up by the root of their light: in it even the curves of shadows are nearly straight. */
const PLACES = 65_535;
const place = (light: number): number =>
  light <= 0 ? 0 : light >= 1 ? PLACES : (Math.sqrt(light) * PLACES + 0.5) | 0;

/** By place: the value whose light it is. */
function codesOf(curve: Curve, depth: 8 | 16): Samples {
  const most = depth === 8 ? 255 : 65_535;
  const out = depth === 8 ? new Uint8Array(PLACES + 1) : new Uint16Array(PLACES + 1);
  const steps = 1 << 14;
  const light = Float64Array.from({ length: steps + 1 }, (_, n) => curve(n / steps));
  let n = 0;
  for (let at = 0; at <= PLACES; at++) {
    const wanted = (at / PLACES) ** 2;
    while (n < steps - 1 && light[n + 1]! < wanted) n++;
    const [below, above] = [light[n]!, light[n + 1]!];
    const share = above > below ? Math.min(1, Math.max(0, (wanted - below) / (above - below))) : 0;
    out[at] = Math.round(((n + share) / steps) * most);
  }
  return out;
}
