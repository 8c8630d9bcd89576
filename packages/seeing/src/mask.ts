import { resized, type Plane } from "@wide-quilt/core";
import type { Model } from "./models.ts";
import type { Picture } from "./picture.ts";

const SIDE = 256;

/** How much farther colours lie from their mean in what the model is shown. */
const CONTRAST = 1.8;

/** How likely each pixel of a picture is a person, at the picture’s size or another: what the model says, and no more. */
export async function personMask(model: Model, picture: Picture, size: Size = picture): Promise<Plane> {
  return inPicture(await seen(model, drawn(picture)), size);
}

/**
 * The same for a cut-out, which should leave out nothing of the person: the model is shown more contrast, so that it tells a
 * coat from a background that is nearly as dark, and is shown the picture mirrored as well; where one of both looks sees the
 * person, there they are. One alone leaves out ends of hair. Shadows behind the head are taken for hair by this one, so it
 * does not measure backgrounds.
 */
export async function wholePersonMask(model: Model, picture: Picture, size: Size): Promise<Plane> {
  const input = stretched(drawn(picture), picture);
  const one = await seen(model, input);
  const other = mirrored(await seen(model, mirrored(input, 3)), 1);
  return inPicture(
    other.map((value, i) => Math.max(value, one[i]!)),
    size,
  );
}

interface Size {
  width: number;
  height: number;
}

const drawn = (picture: Picture): Float32Array => picture.drawn(picture.whole, SIDE, (byte) => byte / 255);

const seen = async (model: Model, input: Float32Array): Promise<Float32Array> =>
  (await model.run(input, [1, SIDE, SIDE, 3]))[0]!;

/** The model sees a square; the picture is the middle of it. */
function inPicture(likely: Float32Array, { width, height }: Size): Plane {
  const side = Math.max(width, height);
  const large = resized({ data: likely, width: SIDE, height: SIDE }, side, side);
  const [left, top] = [Math.floor((side - width) / 2), Math.floor((side - height) / 2)];
  const data = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const from = (top + y) * side + left;
    data.set(large.data.subarray(from, from + width), y * width);
  }
  return { data, width, height };
}

/** The square with every channel farther from its mean over the picture; what lies beside the picture stays. */
function stretched(square: Float32Array, { width, height }: Size): Float32Array {
  const longer = Math.max(width, height);
  const beside = (size: number) => Math.ceil(((longer - size) / longer / 2) * SIDE);
  const [left, top] = [beside(width), beside(height)];
  const count = (SIDE - 2 * left) * (SIDE - 2 * top);
  const out = Float32Array.from(square);
  for (let channel = 0; channel < 3; channel++) {
    const each = (act: (at: number) => void) => {
      for (let y = top; y < SIDE - top; y++) {
        for (let x = left; x < SIDE - left; x++) act((y * SIDE + x) * 3 + channel);
      }
    };
    let sum = 0;
    each((at) => (sum += square[at]!));
    const mean = sum / count;
    each((at) => (out[at] = Math.min(1, Math.max(0, mean + (square[at]! - mean) * CONTRAST))));
  }
  return out;
}

/** A square of so many channels, left for right. */
function mirrored(square: Float32Array, channels: number): Float32Array {
  const out = new Float32Array(square.length);
  for (let at = 0; at < square.length; at++) {
    const pixel = Math.floor(at / channels);
    const x = pixel % SIDE;
    out[(pixel - x + SIDE - 1 - x) * channels + (at % channels)] = square[at]!;
  }
  return out;
}
