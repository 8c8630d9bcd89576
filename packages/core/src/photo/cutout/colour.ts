import { toLight } from "../look/index.ts";

/** A colour in CIE L*a*b* under D65, as sRGB defines it. */
export type Lab = readonly [l: number, a: number, b: number];

/** sRGB bytes to L*a*b* (IEC 61966-2-1 for the curve and primaries, CIE 15 for L*a*b*; white D65). */
export function labOf(r: number, g: number, b: number): Lab {
  const [red, green, blue] = [toLight(r / 255), toLight(g / 255), toLight(b / 255)];
  const f = (t: number) => (t > 216 / 24_389 ? Math.cbrt(t) : ((24_389 / 27) * t + 16) / 116);
  const x = f((0.4124564 * red + 0.3575761 * green + 0.1804375 * blue) / 0.95047);
  const y = f(0.2126729 * red + 0.7151522 * green + 0.072175 * blue);
  const z = f((0.0193339 * red + 0.119192 * green + 0.9503041 * blue) / 1.08883);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** The bytes of "#rrggbb". */
export const bytesOf = (colour: string): [number, number, number] => [
  Number.parseInt(colour.slice(1, 3), 16),
  Number.parseInt(colour.slice(3, 5), 16),
  Number.parseInt(colour.slice(5, 7), 16),
];

const RADIANS = Math.PI / 180;

/** How far two colours are apart to the eye: CIEDE2000 (CIE 142-2001; formulas as numbered by Sharma, Wu and Dalal 2005). */
export function deltaE2000([l1, a1, b1]: Lab, [l2, a2, b2]: Lab): number {
  const meanChroma = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2;
  const g = 0.5 * (1 - Math.sqrt(meanChroma ** 7 / (meanChroma ** 7 + 25 ** 7)));
  const [p1, p2] = [a1 * (1 + g), a2 * (1 + g)];
  const [c1, c2] = [Math.hypot(p1, b1), Math.hypot(p2, b2)];
  const hue = (b: number, a: number) => (a === 0 && b === 0 ? 0 : (Math.atan2(b, a) / RADIANS + 360) % 360);
  const [h1, h2] = [hue(b1, p1), hue(b2, p2)];
  const grey = c1 * c2 === 0;
  const turn = grey ? 0 : h2 - h1 > 180 ? h2 - h1 - 360 : h2 - h1 < -180 ? h2 - h1 + 360 : h2 - h1;
  const [dl, dc] = [l2 - l1, c2 - c1];
  const dh = 2 * Math.sqrt(c1 * c2) * Math.sin((turn / 2) * RADIANS);
  const [l, c] = [(l1 + l2) / 2, (c1 + c2) / 2];
  const wide = Math.abs(h1 - h2) > 180;
  const h = grey
    ? h1 + h2
    : wide
      ? h1 + h2 < 360
        ? (h1 + h2 + 360) / 2
        : (h1 + h2 - 360) / 2
      : (h1 + h2) / 2;
  const cos = (degrees: number) => Math.cos(degrees * RADIANS);
  const t = 1 - 0.17 * cos(h - 30) + 0.24 * cos(2 * h) + 0.32 * cos(3 * h + 6) - 0.2 * cos(4 * h - 63);
  const sl = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2);
  const sc = 1 + 0.045 * c;
  const sh = 1 + 0.015 * c * t;
  const rotation =
    -2 * Math.sqrt(c ** 7 / (c ** 7 + 25 ** 7)) * Math.sin(60 * Math.exp(-(((h - 275) / 25) ** 2)) * RADIANS);
  return Math.sqrt((dl / sl) ** 2 + (dc / sc) ** 2 + (dh / sh) ** 2 + rotation * (dc / sc) * (dh / sh));
}
