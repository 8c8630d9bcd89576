import type { Samples } from "@wide-quilt/colour";
import { toPx, type CellPlan, type PixelBox } from "@wide-quilt/core";
import type { PaintSpace } from "../colour/space.ts";
import { samples } from "./canvas.ts";
import { sample } from "./sample.ts";

/** Pixels of a photo as it lies before it is levelled, and where their upper left corner is on the sheet, in pixels. */
export interface Lying {
  data: Samples;
  width: number;
  height: number;
  left: number;
  top: number;
}

/**
 * The pixels of a cell whose photo is levelled: every pixel of the box looks back, turned about the middle of what the
 * photo covers, to where it was, and takes what is there between the pixels.
 * Nothing is rounded on the way, so a levelled photo lies where the plan has it.
 */
export function levelled(
  photo: Lying,
  { cover, picture }: CellPlan,
  box: PixelBox,
  ppi: number,
  space: PaintSpace,
): Samples {
  const { channels } = space;
  const grid = { ...photo, channels };
  const out = samples(box.width * box.height * channels, space).fill(space.paper);
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
      sample(grid, x, y, out, (row * box.width + column) * channels);
    }
  }
  return out;
}
