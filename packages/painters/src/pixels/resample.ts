import type { Samples } from "@wide-quilt/colour";
import type { PixelBox } from "@wide-quilt/core";
import { goOn, type Watch } from "../progress.ts";
import type { Light } from "./light.ts";

/** Pixels of a photo, channel by channel; of light itself where they are floating-point numbers from 0 to 1. */
export interface Source {
  data: Samples | Float32Array;
  width: number;
  height: number;
  channels: number;
}

/** Where a photo lies along one axis: where its first pixel begins, and how wide each is, both in pixels of the sheet. */
export interface Along {
  start: number;
  step: number;
}

/**
 * The pixels of a box of the sheet from a photo that lies anywhere on it, at any size. The middle of every pixel of the
 * sheet looks back to where it is on the photo, so that nothing is rounded on the way; beside the photo's edge its pixels
 * go on.
 *
 *     photo   │  0  │  1  │  2  │  3  │      pixel i reaches from start + i·step to start + (i + 1)·step
 *     sheet   ┆ 7 ┆ 8 ┆ 9 ┆10 ┆11 ┆12 ┆      pixel 8, its middle 8.5, lies at (8.5 − start) / step − ½ of the photo
 *
 * What is made smaller is weighed by Lanczos of three lobes, as wide as it has to be not to alias (Turkowski 1990); what is
 * made larger by Catmull and Rom (1974), which does not ring. With `light` pixels are weighed by the light they stand for.
 *
 * Throws Cancelled.
 */
export async function resampled(
  source: Source,
  { across, down }: { across: Along; down: Along },
  box: PixelBox,
  depth: 8 | 16,
  light: Light | null,
  watch: Watch = {},
): Promise<Samples> {
  const { channels } = source;
  const columns = lookingBack(across, box.left, box.width, source.width);
  const rows = lookingBack(down, box.top, box.height, source.height);
  const lines = new Lines(source, columns, box.width, rows.most, light);
  const out =
    depth === 8
      ? new Uint8Array(box.width * box.height * channels)
      : new Uint16Array(box.width * box.height * channels);
  const encode = light ? light.encode(depth) : rounded(depth);
  const sum = new Float32Array(box.width * channels);
  let since = 0;
  for (let row = 0; row < box.height; row++) {
    sum.fill(0);
    const [first, count] = [rows.first[row]!, rows.count[row]!];
    for (let k = 0; k < count; k++) {
      const line = lines.at(first + k);
      const weight = rows.weights[row * rows.most + k]!;
      for (let i = 0; i < sum.length; i++) sum[i]! += line[i]! * weight;
    }
    encode(sum, out, row * box.width, box.width, channels);
    since += sum.length;
    if (since > BREATH) {
      since = 0;
      await goOn(watch);
    }
  }
  return out;
}

/** Samples after which others get their turn: some hundredths of a second. */
const BREATH = 4_000_000;

/** Writes one row, channel after channel as it was summed, pixel by pixel from pixel `at` on. */
export type Encode = (sum: Float32Array, out: Samples, at: number, width: number, channels: number) => void;

const rounded = (depth: 8 | 16): Encode => {
  const most = depth === 8 ? 255 : 65_535;
  return (sum, out, at, width, channels) => {
    for (let c = 0; c < channels; c++) {
      for (let x = 0, to = at * channels + c; x < width; x++, to += channels) {
        const v = sum[c * width + x]!;
        out[to] = v <= 0 ? 0 : v >= most ? most : v + 0.5;
      }
    }
  };
};

/** For each pixel of the sheet: the photo's pixels it looks at, and how it weighs them. */
interface LookingBack {
  first: Int32Array;
  count: Int32Array;
  /** `most` to each pixel. */
  weights: Float32Array;
  most: number;
}

function lookingBack({ start, step }: Along, from: number, length: number, size: number): LookingBack {
  const wide = Math.max(1, 1 / step);
  const [weigh, lobes] = step < 1 ? ([lanczos, 3] as const) : ([catmullRom, 2] as const);
  const reach = lobes * wide;
  const most = Math.ceil(2 * reach) + 1;
  const [first, count] = [new Int32Array(length), new Int32Array(length)];
  const weights = new Float32Array(length * most);
  const within = (i: number) => Math.min(Math.max(i, 0), size - 1);
  for (let n = 0; n < length; n++) {
    const middle = (from + n + 0.5 - start) / step - 0.5;
    const [a, b] = [Math.ceil(middle - reach), Math.floor(middle + reach)];
    const at = n * most;
    let sum = 0;
    for (let i = a; i <= b; i++) {
      const weight = weigh((i - middle) / wide);
      weights[at + within(i) - within(a)]! += weight;
      sum += weight;
    }
    let [begin, end] = [0, within(b) - within(a) + 1];
    // A photo's pixels that lie just on the sheet's are looked at alone.
    while (end - begin > 1 && Math.abs(weights[at + end - 1]!) < NOTHING) end--;
    while (end - begin > 1 && Math.abs(weights[at + begin]!) < NOTHING) begin++;
    first[n] = within(a) + begin;
    count[n] = end - begin;
    for (let k = 0; k < end - begin; k++) weights[at + k] = weights[at + begin + k]! / sum;
  }
  return { first, count, weights, most };
}

const NOTHING = 1e-6;

function lanczos(x: number): number {
  if (x === 0) return 1;
  if (x <= -3 || x >= 3) return 0;
  const angle = Math.PI * x;
  return (3 * Math.sin(angle) * Math.sin(angle / 3)) / (angle * angle);
}

function catmullRom(x: number): number {
  const t = Math.abs(x);
  if (t >= 2) return 0;
  return t < 1 ? (1.5 * t - 2.5) * t * t + 1 : ((2.5 - 0.5 * t) * t - 4) * t + 2;
}

/** The photo's lines, resampled along themselves and kept as long as they may be looked at; channel after channel. */
class Lines {
  private readonly kept: Float32Array[];
  private readonly holds: Int32Array;
  private readonly plane: Float32Array;

  constructor(
    private readonly source: Source,
    private readonly columns: LookingBack,
    private readonly width: number,
    most: number,
    private readonly light: Light | null,
  ) {
    this.kept = Array.from({ length: most }, () => new Float32Array(width * source.channels));
    this.holds = new Int32Array(most).fill(-1);
    this.plane = new Float32Array(source.width);
  }

  at(row: number): Float32Array {
    const slot = row % this.kept.length;
    const line = this.kept[slot]!;
    if (this.holds[slot] === row) return line;
    this.holds[slot] = row;
    const { data, width, channels } = this.source;
    const { first, count, weights, most } = this.columns;
    const { plane } = this;
    const [from, to] = [first[0]!, first[this.width - 1]! + count[this.width - 1]!];
    const table = this.light && !(data instanceof Float32Array) ? this.light.table(data) : null;
    for (let c = 0; c < channels; c++) {
      for (let x = from, at = (row * width + from) * channels + c; x < to; x++, at += channels)
        plane[x] = table ? table[data[at]!]! : data[at]!;
      for (let x = 0; x < this.width; x++) {
        let sum = 0;
        for (let k = 0, i = first[x]!, w = x * most; k < count[x]!; k++, i++, w++)
          sum += plane[i]! * weights[w]!;
        line[c * this.width + x] = sum;
      }
    }
    return line;
  }
}
