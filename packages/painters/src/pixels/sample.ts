import type { Samples } from "@wide-quilt/colour";

/** Pixels between which something is looked up. */
export interface Grid {
  data: Samples;
  width: number;
  height: number;
  channels: number;
}

/** Weights of the pixels at −1, 0, 1 and 2 for a place t between 0 and 1 (Catmull and Rom 1974). */
const weights = (t: number): [number, number, number, number] => [
  ((2 - t) * t - 1) * t * 0.5,
  ((3 * t - 5) * t * t + 2) * 0.5,
  ((4 - 3 * t) * t + 1) * t * 0.5,
  (t - 1) * t * t * 0.5,
];

/**
 * What is at a place between pixels, written to `out` from `to` on: Catmull–Rom over four by four. `x` and `y` count from
 * the middle of the first pixel; beside the edge its pixels go on.
 */
export function sample(
  { data, width, height, channels }: Grid,
  x: number,
  y: number,
  out: Samples,
  to: number,
): void {
  const most = out instanceof Uint16Array ? 65_535 : 255;
  const [left, top] = [Math.floor(x), Math.floor(y)];
  const [across, down] = [weights(x - left), weights(y - top)];
  for (let c = 0; c < channels; c++) {
    let sum = 0;
    for (let j = 0; j < 4; j++) {
      const line = Math.min(Math.max(top - 1 + j, 0), height - 1) * width;
      for (let i = 0; i < 4; i++) {
        const at = (line + Math.min(Math.max(left - 1 + i, 0), width - 1)) * channels;
        sum += data[at + c]! * across[i]! * down[j]!;
      }
    }
    out[to + c] = sum <= 0 ? 0 : sum >= most ? most : Math.round(sum);
  }
}
