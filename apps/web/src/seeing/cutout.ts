import {
  evenness,
  replaceBackground,
  type BackdropFill,
  type BackdropStroke,
  type Evenness,
  type Pixels,
} from "@wide-quilt/core";
import { Cutout, type Models } from "@wide-quilt/seeing";
import { pixelsOf } from "./pixels.ts";

/** What a cut-out looks like, and how even backgrounds are. */
export interface ShownCutout {
  image: ImageData;
  /** The background as the camera saw it, and as it is now, against what the rule wants. */
  before: Evenness | null;
  now: Evenness | null;
}

/** Opens a photo to be cut out, once through what showing it will do. */
export async function openCutout(models: Models, photo: ImageBitmap): Promise<Cutout> {
  const cutout = await Cutout.open(models, pixelsOf(photo));
  shownCutout(cutout, [], { kind: "flat", colour: "#ffffff" }, "#ffffff");
  return cutout;
}

/** The photo with something else behind the person, or with nothing changed where the fill is null. */
export function shownCutout(
  cutout: Cutout,
  strokes: readonly BackdropStroke[],
  fill: BackdropFill | null,
  wanted: string,
): ShownCutout {
  const { worked } = cutout;
  const mask = cutout.mask(strokes);
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
export async function maskFile(cutout: Cutout, strokes: readonly BackdropStroke[]): Promise<Blob> {
  const { data, width, height } = cutout.mask(strokes);
  const canvas = new OffscreenCanvas(width, height);
  const grey = new ImageData(width, height);
  data.forEach((value, i) => {
    const byte = Math.round(value * 255);
    grey.data.set([byte, byte, byte, 255], i * 4);
  });
  canvas.getContext("2d")!.putImageData(grey, 0, 0);
  return canvas.convertToBlob({ type: "image/png" });
}
