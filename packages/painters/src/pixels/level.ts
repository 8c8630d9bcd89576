import { toPx, type CellPlan, type PixelBox } from "@wide-quilt/core";
import { CHANNELS } from "./canvas.ts";

/** Pixels of a photo as it lies before it is levelled, and where their upper left corner is on the sheet, in pixels. */
export interface Lying {
  data: Buffer;
  width: number;
  height: number;
  left: number;
  top: number;
}

/**
 * The pixels of a cell whose photo is levelled: every pixel of the box looks back, turned about the middle of what the
 * photo covers, to where it was, and takes what is there between the pixels (Catmull–Rom over four by four).
 * Nothing is rounded on the way, so a levelled photo lies where the plan has it.
 */
export function levelled(photo: Lying, { cover, picture }: CellPlan, box: PixelBox, ppi: number): Buffer {
  const out = Buffer.alloc(box.width * box.height * CHANNELS, 0xff);
  const middle = {
    x: toPx(cover.x + cover.width / 2, ppi),
    y: toPx(cover.y + cover.height / 2, ppi),
  };
  const radians = (-picture!.level * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  for (let row = 0; row < box.height; row++) {
    const down = box.top + row + 0.5 - middle.y;
    for (let column = 0; column < box.width; column++) {
      const right = box.left + column + 0.5 - middle.x;
      const x = middle.x + right * cos - down * sin - photo.left - 0.5;
      const y = middle.y + right * sin + down * cos - photo.top - 0.5;
      if (x < -1 || y < -1 || x > photo.width || y > photo.height) continue;
      sample(photo, x, y, out, (row * box.width + column) * CHANNELS);
    }
  }
  return out;
}

/** Weights of the pixels at −1, 0, 1 and 2 for a place t between 0 and 1 (Catmull and Rom 1974). */
const weights = (t: number): [number, number, number, number] => [
  ((2 - t) * t - 1) * t * 0.5,
  ((3 * t - 5) * t * t + 2) * 0.5,
  ((4 - 3 * t) * t + 1) * t * 0.5,
  (t - 1) * t * t * 0.5,
];

function sample({ data, width, height }: Lying, x: number, y: number, out: Buffer, to: number): void {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  const [across, down] = [weights(x - left), weights(y - top)];
  let [r, g, b] = [0, 0, 0];
  for (let j = 0; j < 4; j++) {
    const line = Math.min(Math.max(top - 1 + j, 0), height - 1) * width;
    for (let i = 0; i < 4; i++) {
      const weight = across[i]! * down[j]!;
      const at = (line + Math.min(Math.max(left - 1 + i, 0), width - 1)) * CHANNELS;
      r += data[at]! * weight;
      g += data[at + 1]! * weight;
      b += data[at + 2]! * weight;
    }
  }
  out[to] = byte(r);
  out[to + 1] = byte(g);
  out[to + 2] = byte(b);
}

const byte = (value: number): number => (value <= 0 ? 0 : value >= 255 ? 255 : Math.round(value));
