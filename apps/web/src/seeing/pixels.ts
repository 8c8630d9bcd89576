import type { Pixels } from "@wide-quilt/core";

/** The pixels of a picture. */
export function pixelsOf(picture: ImageBitmap): Pixels {
  const { width, height } = picture;
  const on = new OffscreenCanvas(width, height).getContext("2d", { willReadFrequently: true })!;
  on.drawImage(picture, 0, 0);
  return { data: on.getImageData(0, 0, width, height).data, width, height, channels: 4 };
}
