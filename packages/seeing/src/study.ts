import { measurePixels, type Face, type PortraitStudy } from "@wide-quilt/core";
import { personMask } from "./mask.ts";
import type { Models } from "./models.ts";
import type { Picture } from "./picture.ts";

/** The longer side of the mask that parts the background from the person: the model knows no more. */
const MASKED = 320;

/** What there is to measure in the pixels of a portrait: the mask of the person says what is background. */
export async function studyPortrait(models: Models, picture: Picture, face: Face): Promise<PortraitStudy> {
  const shrunk = MASKED / Math.max(picture.width, picture.height);
  const size = { width: Math.round(picture.width * shrunk), height: Math.round(picture.height * shrunk) };
  return measurePixels(picture.pixels, face, await personMask(models.segmentation, picture, size));
}
