import type { Samples } from "@wide-quilt/colour";
import type { PixelBox } from "@wide-quilt/core";
import { goOn, type Watch } from "../progress.ts";
import type { Light } from "./light.ts";
import type { Source } from "./source.ts";
import { LANES } from "./weigh/instance.ts";
import { Weigher, type LookingBack } from "./weigh/weigher.ts";

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
  const size = box.width * box.height * channels;
  const out = depth === 8 ? new Uint8Array(size) : new Uint16Array(size);
  if (!light && isAlone(columns) && isAlone(rows)) {
    copied(source, columns, rows, out);
    return out;
  }
  const encode = light?.encode(depth);
  const weigher = Weigher.take();
  try {
    weigher.ready(columns, box.width, source.width, rows.most);
    const lines = new Lines(source, columns, weigher, rows.most, light);
    let since = 0;
    for (let row = 0; row < box.height; row++) {
      const [first, count] = [rows.first[row]!, rows.count[row]!];
      weigher.sum.fill(0);
      for (let k = 0; k < count; k++) weigher.down(lines.at(first + k), rows.weights[row * rows.most + k]!);
      if (encode) encode(weigher.sum, out, row * box.width, box.width);
      else weigher.pack(out, row * box.width * channels, channels);
      since += box.width;
      if (since > BREATH) {
        since = 0;
        await goOn(watch);
      }
    }
  } finally {
    weigher.done();
  }
  return out;
}

/** Whether each pixel looks at one of the photo, all of them in a row: they lie just on each other. */
const isAlone = ({ first, count }: LookingBack): boolean =>
  count.every((one, i) => one === 1 && first[i] === first[0]! + i);

/** Pixels that lie just on the sheet’s, as they are. */
function copied(
  { data, width: all, channels, held }: Source,
  columns: LookingBack,
  rows: LookingBack,
  out: Samples,
): void {
  const { left, top, width } = held ?? { left: 0, top: 0, width: all };
  const length = columns.first.length * channels;
  for (let row = 0; row < rows.first.length; row++) {
    const from = ((rows.first[row]! - top) * width + columns.first[0]! - left) * channels;
    out.set(data.subarray(from, from + length) as Samples, row * length);
  }
}

/** The pixels of a photo that a box looks at: what has to be held of it. */
export function lookedAt(
  { width, height }: Pick<Source, "width" | "height">,
  { across, down }: { across: Along; down: Along },
  box: PixelBox,
): PixelBox {
  const [left, right] = spanOf(lookingBack(across, box.left, box.width, width));
  const [top, bottom] = spanOf(lookingBack(down, box.top, box.height, height));
  return { left, top, width: right - left, height: bottom - top };
}

function spanOf({ first, count }: LookingBack): [from: number, to: number] {
  return [
    first.reduce((least, one) => Math.min(least, one)),
    first.reduce((end, one, i) => Math.max(end, one + count[i]!), 0),
  ];
}

/** Pixels after which others get their turn: some hundredths of a second. */
const BREATH = 2_000_000;

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

/** The photo's lines, resampled along themselves and kept as long as they may be looked at. */
class Lines {
  private readonly holds: Int32Array;
  private readonly from: number;
  private readonly to: number;
  private readonly table: Float32Array | null;

  constructor(
    private readonly source: Source,
    columns: LookingBack,
    private readonly weigher: Weigher,
    private readonly most: number,
    light: Light | null,
  ) {
    const { data } = source;
    this.holds = new Int32Array(most).fill(-1);
    [this.from, this.to] = spanOf(columns);
    this.table = light && !(data instanceof Float32Array) ? light.table(data) : null;
  }

  /** The place where a line is kept. */
  at(row: number): number {
    const place = row % this.most;
    if (this.holds[place] !== row) {
      this.holds[place] = row;
      this.unpack(row);
      this.weigher.across(place);
    }
    return place;
  }

  private unpack(row: number): void {
    const { data, channels, held } = this.source;
    const { left, top, width } = held ?? { left: 0, top: 0, width: this.source.width };
    const { table, from, to } = this;
    const { plane } = this.weigher;
    const [first, end] = [(row - top) * width + from - left, (row - top) * width + to - left];
    if (data instanceof Float32Array) {
      plane.set(data.subarray(first * LANES, end * LANES), from * LANES);
      return;
    }
    const line = data.subarray(first * channels, end * channels);
    if (!table) {
      this.weigher.unpack(line, from, channels);
      return;
    }
    for (let at = 0, x = from * LANES; at < line.length; at += 3, x += LANES) {
      plane[x] = table[line[at]!]!;
      plane[x + 1] = table[line[at + 1]!]!;
      plane[x + 2] = table[line[at + 2]!]!;
    }
  }
}
