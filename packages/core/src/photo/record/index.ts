export type { PhotoFacts, Photos } from "./photos.ts";
export { PHOTO_FORMATS, type Exposure, type PhotoFormat, type PhotoRecord } from "./record.ts";
export { seenByHand, type Seen } from "./seen.ts";
