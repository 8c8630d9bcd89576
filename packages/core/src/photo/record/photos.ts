import type { PhotoId } from "../../schema/index.ts";
import type { PhotoRecord } from "./record.ts";

/** What the plan needs to know of a photo: its size in pixels after the turn its EXIF flag asks for, and its words. */
export type PhotoFacts = Pick<PhotoRecord, "width" | "height"> &
  Partial<Pick<PhotoRecord, "exposure" | "title">>;

/** The photos a job may use, by id. A photo that is missing here is planned as missing, not as an error. */
export type Photos = Readonly<Record<PhotoId, PhotoFacts>>;
