import type { PhotoId } from "../../schema/index.ts";
import type { PhotoRecord } from "./record.ts";

/** What the plan needs to know of a photo: its size in pixels after the turn its EXIF flag asks for, its words, its light and its heads. */
export type PhotoFacts = Pick<PhotoRecord, "width" | "height"> &
  Partial<Pick<PhotoRecord, "exposure" | "title" | "light" | "seen">>;

/** The photos a job may use, by id. A photo that is missing here is planned as missing, not as an error. */
export type Photos = Readonly<Record<PhotoId, PhotoFacts>>;
