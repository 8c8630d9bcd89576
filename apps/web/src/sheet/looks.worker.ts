import { lookChange } from "@wide-quilt/core";
import type { LookAnswer, LookQuestion } from "./looked.ts";

/** Quality of the pictures made: high, for they are judged against the print. */
const QUALITY = 0.97;

const load = async (url: string): Promise<ImageBitmap> =>
  createImageBitmap(await (await fetch(url)).blob(), { colorSpaceConversion: "none" });

self.onmessage = async ({ data: { key, url, look } }: MessageEvent<LookQuestion>) => {
  const answer = (picture: Blob | null) => self.postMessage({ key, picture } satisfies LookAnswer);
  try {
    const bitmap = await load(url);
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    const context = canvas.getContext("2d", { willReadFrequently: true })!;
    context.drawImage(bitmap, 0, 0);
    const pixels = context.getImageData(0, 0, bitmap.width, bitmap.height);
    lookChange(look)?.(pixels.data, 4);
    context.putImageData(pixels, 0, 0);
    answer(await canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY }));
  } catch {
    answer(null);
  }
};
