export type { PhotoFacts, Photos } from "./photos.ts";
export { PHOTO_FORMATS, type Exposure, type PhotoFormat, type PhotoRecord, type Seen } from "./record.ts";
