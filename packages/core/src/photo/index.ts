export { PHOTO_FORMATS, type Exposure, type PhotoFormat, type PhotoRecord } from "./record.ts";
