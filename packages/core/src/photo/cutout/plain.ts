import { dot, solve } from "../../base/linear.ts";
import type { Pixels, Plane } from "./picture.ts";

/** How many pixels are looked at for the surface. */
const SAMPLES = 4000;
/** A background whose colours stray farther from a smooth surface than this many levels is no plain one. */
const PLAIN = 6;
/** With fewer pixels of it than this nothing is known of the background. */
const FEWEST = 60;
/** Grain is taken to be at least so many levels. */
const GRAIN = 1.2;

/**
 * How often a plain background is of each pixel's colour in that place, as a share of one in a cell of so many colours
 * (levels cubed) around it; null where the background is not plain. Colours of a plain one lie around a smooth surface as
 * in a normal distribution.
 *
 * A surface of the second degree in x and y is fitted to every channel by least squares over what is surely background,
 * twice: the second time without what strayed by more than three standard deviations (shadows, things).
 */
export function plainBehind(
  picture: Pixels,
  colours: number,
  isBehind: (i: number) => boolean,
): Plane | null {
  const { data, width, height, channels } = picture;
  const step = Math.max(1, Math.floor((width * height) / SAMPLES));
  const across = (i: number) => (2 * (i % width)) / width - 1;
  const down = (i: number) => (2 * Math.floor(i / width)) / height - 1;
  let looked: Looked[] = [];
  for (let i = 0; i < width * height; i += step) {
    if (!isBehind(i)) continue;
    const [x, y] = [across(i), down(i)];
    const rgb = [0, 1, 2].map((c) => data[i * channels + c]!);
    looked.push({ terms: [1, x, y, x * x, x * y, y * y], rgb });
  }
  let surface: Surface | null = null;
  for (let pass = 0; pass < 2; pass++) {
    surface = looked.length < FEWEST ? null : fitted(looked);
    if (!surface) return null;
    const { factors, spread } = surface;
    looked = looked.filter(({ terms: t, rgb }) =>
      factors.every((row, c) => Math.abs(rgb[c]! - dot(row, t)) < 3 * spread[c]!),
    );
  }
  const { factors, spread } = surface!;
  if (Math.max(...spread) > PLAIN) return null;
  const most = colours / ((2 * Math.PI) ** 1.5 * spread[0]! * spread[1]! * spread[2]!);
  const out = new Float32Array(width * height);
  for (let i = 0; i < out.length; i++) {
    // Written out: this runs for every pixel, while somebody draws a stroke.
    const [x, y] = [across(i), down(i)];
    let off = 0;
    for (let c = 0; c < 3; c++) {
      const f = factors[c]!;
      const there = f[0]! + f[1]! * x + f[2]! * y + f[3]! * x * x + f[4]! * x * y + f[5]! * y * y;
      off += ((data[i * channels + c]! - there) / spread[c]!) ** 2;
    }
    out[i] = most * Math.exp(-off / 2);
  }
  return { data: out, width, height };
}

/** A pixel of the background: the powers of its place, and its colour. */
interface Looked {
  terms: number[];
  rgb: number[];
}

/** By channel: the factors of the powers, and how far colours stray from them. */
interface Surface {
  factors: number[][];
  spread: number[];
}

/** The surface of least squares, by its normal equations; null where they have no single answer. */
function fitted(looked: readonly Looked[]): Surface | null {
  const n = looked[0]!.terms.length;
  const square = Array.from({ length: n }, () => Array<number>(n).fill(0));
  const right = [0, 1, 2].map(() => Array<number>(n).fill(0));
  for (const { terms, rgb } of looked) {
    for (let row = 0; row < n; row++) {
      for (let column = 0; column < n; column++) square[row]![column]! += terms[row]! * terms[column]!;
      for (let c = 0; c < 3; c++) right[c]![row]! += terms[row]! * rgb[c]!;
    }
  }
  const factors = right.map((column) => solve(square, column));
  if (!factors.every((row) => row !== null)) return null;
  const spread = factors.map((row, c) => {
    const squares = looked.reduce((sum, { terms, rgb }) => sum + (rgb[c]! - dot(row, terms)) ** 2, 0);
    return Math.max(GRAIN, Math.sqrt(squares / looked.length));
  });
  return { factors, spread };
}
