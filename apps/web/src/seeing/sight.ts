import type { Sight } from "@wide-quilt/core";
import { findHeads, Picture, studyPortrait, type Models } from "@wide-quilt/seeing";
import { pixelsOf } from "./pixels.ts";

/** The heads in a picture and, where wanted, what the pixels of the first one say. */
export async function sightOf(models: Models, bitmap: ImageBitmap, measure: boolean): Promise<Sight> {
  const picture = new Picture(pixelsOf(bitmap));
  bitmap.close();
  const heads = await findHeads(models, picture);
  const face = heads[0];
  const { width, height } = picture;
  return {
    size: { width, height },
    heads,
    study: face && measure ? await studyPortrait(models, picture, face) : null,
  };
}
