export { BadPhoto } from "./badPhoto.ts";
export type { Exposure } from "./exposure.ts";
export type { PhotoFiles } from "./files.ts";
export { inspectPhoto, type PhotoRecord } from "./inspect.ts";
export { PHOTO_FORMATS, PHOTO_LIMITS, type PhotoFormat } from "./limits.ts";
export { makePreviews, PREVIEW_SIZES, type Previews, type PreviewSize } from "./previews.ts";
