import {
  evenness,
  personIn,
  replaceBackground,
  resized,
  soften,
  type BackdropFill,
  type BackdropStroke,
  type Evenness,
  type Pixels,
  type Plane,
} from "@wide-quilt/core";
import { Picture, type Models } from "@wide-quilt/seeing";

/** Longest side of the picture that is worked on, and of the one that is divided, in pixels. */
const WORKED = 640;
const DIVIDED = 300;
const MODEL = 256;

/** What a cut-out looks like, and how even backgrounds are. */
export interface ShownCutout {
  image: ImageData;
  /** The background as the camera saw it, and as it is now, against what the rule wants. */
  before: Evenness | null;
  now: Evenness | null;
}

/** A division and the soft mask that came of it, with the strokes it answers. */
interface Found {
  strokes: string;
  side: Uint8Array;
  mask: Plane;
}

/** A photo being cut out: the first guess is made once, every stroke is answered by a new division. */
export class Cutout {
  private last: Found | null = null;

  private constructor(
    private readonly worked: Pixels,
    private readonly divided: Pixels,
    private readonly guess: Plane,
  ) {}

  static async open({ segmentation }: Models, photo: ImageBitmap): Promise<Cutout> {
    const picture = new Picture(pixelsOf(photo, WORKED));
    const input = picture.drawn(picture.whole, MODEL, (byte) => byte / 255);
    const [likely] = await segmentation.run(input, [1, MODEL, MODEL, 3]);
    const divided = pixelsOf(photo, DIVIDED);
    const guess = partOf(likely!, divided);
    const cutout = new Cutout(picture.pixels, divided, guess);
    // Once through what a stroke will do, so that the first one is answered as quickly as any other.
    personIn(divided, guess, [], cutout.found([]).side);
    cutout.show([], { kind: "flat", colour: "#ffffff" }, "#ffffff");
    return cutout;
  }

  show(strokes: readonly BackdropStroke[], fill: BackdropFill | null, wanted: string): ShownCutout {
    const { worked } = this;
    const mask = this.maskFor(strokes);
    const data = new Uint8ClampedArray(worked.data);
    const pixels: Pixels = { ...worked, data };
    if (fill) replaceBackground(pixels, worked, mask, fill);
    return {
      image: new ImageData(data, worked.width, worked.height),
      before: evenness(worked, mask, wanted),
      now: evenness(pixels, mask, wanted),
    };
  }

  /** The mask as a grey PNG. */
  async mask(strokes: readonly BackdropStroke[]): Promise<Blob> {
    const { data, width, height } = this.maskFor(strokes);
    const canvas = new OffscreenCanvas(width, height);
    const grey = new ImageData(width, height);
    data.forEach((value, i) => {
      const byte = Math.round(value * 255);
      grey.data.set([byte, byte, byte, 255], i * 4);
    });
    canvas.getContext("2d")!.putImageData(grey, 0, 0);
    return canvas.convertToBlob({ type: "image/png" });
  }

  private maskFor(strokes: readonly BackdropStroke[]): Plane {
    return this.found(strokes).mask;
  }

  private found(strokes: readonly BackdropStroke[]): Found {
    const key = JSON.stringify(strokes);
    if (this.last?.strokes === key) return this.last;
    const { width, height } = this.divided;
    const side = personIn(this.divided, this.guess, strokes, this.last?.side);
    const mask = soften(this.worked, side, width, height);
    return (this.last = { strokes: key, side, mask });
  }
}

/** A picture's pixels, its longer side at most this long. */
function pixelsOf(picture: ImageBitmap, longest: number): Pixels {
  const scale = Math.min(1, longest / Math.max(picture.width, picture.height));
  const width = Math.max(1, Math.round(picture.width * scale));
  const height = Math.max(1, Math.round(picture.height * scale));
  const on = new OffscreenCanvas(width, height).getContext("2d", { willReadFrequently: true })!;
  on.imageSmoothingQuality = "high";
  on.drawImage(picture, 0, 0, width, height);
  return { data: on.getImageData(0, 0, width, height).data, width, height, channels: 4 };
}

/** The part of the model's square that is the picture, at a size. */
function partOf(likely: Float32Array, { width, height }: Pixels): Plane {
  const side = Math.max(width, height);
  const large = resized({ data: likely, width: MODEL, height: MODEL }, side, side);
  const [left, top] = [Math.floor((side - width) / 2), Math.floor((side - height) / 2)];
  const data = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const from = (top + y) * side + left;
    data.set(large.data.subarray(from, from + width), y * width);
  }
  return { data, width, height };
}
