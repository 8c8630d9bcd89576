import { resized, type Plane } from "@wide-quilt/core";
import type { Model } from "./models.ts";
import type { Picture } from "./picture.ts";

const SIDE = 256;

/** How likely each pixel of a picture is a person, at the picture’s size or another. */
export async function personMask(
  model: Model,
  picture: Picture,
  { width, height }: { width: number; height: number } = picture,
): Promise<Plane> {
  const input = picture.drawn(picture.whole, SIDE, (byte) => byte / 255);
  const [likely] = await model.run(input, [1, SIDE, SIDE, 3]);
  // The model sees a square; the picture is the middle of it.
  const side = Math.max(width, height);
  const large = resized({ data: likely!, width: SIDE, height: SIDE }, side, side);
  const [left, top] = [Math.floor((side - width) / 2), Math.floor((side - height) / 2)];
  const data = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const from = (top + y) * side + left;
    data.set(large.data.subarray(from, from + width), y * width);
  }
  return { data, width, height };
}
