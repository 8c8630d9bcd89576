export { pictureInRaw } from "./raw.ts";
export { readAbout } from "./about.ts";
export { lightOf } from "./light.ts";
export { movingPicture } from "./moving.ts";
export { withBackdrop, type PictureBehind } from "./backdrop.ts";
export { BadPhoto } from "./badPhoto.ts";
export type { PhotoFiles } from "./files.ts";
export { developHeic } from "./heic.ts";
export { PhotoHash, photoHash } from "./hash.ts";
export { inspectPhoto } from "./inspect.ts";
export { PHOTO_LIMITS } from "./limits.ts";
export {
  HEADS_PREVIEW,
  makePreviews,
  PORTRAIT_PREVIEW,
  PREVIEW_SIZES,
  type Previews,
  type PreviewSize,
} from "./previews.ts";
