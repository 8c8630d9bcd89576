import type { Light } from "../light/index.ts";
import type { Seen } from "./seen.ts";

/** File formats read as photos, by what the content says. */
export const PHOTO_FORMATS = ["jpeg", "png", "webp", "tiff", "avif", "heic", "raw"] as const;
export type PhotoFormat = (typeof PHOTO_FORMATS)[number];

/** How a photo was taken, as far as the file says. */
export interface Exposure {
  camera?: string;
  lens?: string;
  /** Seconds. */
  shutter?: number;
  /** The f-number. */
  aperture?: number;
  iso?: number;
  /** Millimetres. */
  focalLength?: number;
  /** Local time of the camera, ISO 8601 without a zone: "2026-10-03T07:41:12". */
  takenAt?: string;
}

/** What is read of a photo once, when it comes in. */
export interface PhotoRecord {
  format: PhotoFormat;
  /** Pixels after the turn that the EXIF flag asks for. */
  width: number;
  height: number;
  /** EXIF orientation, 1…8, as stored in the file. */
  orientation: number;
  bytes: number;
  /** Bits per channel. */
  depth: number;
  space: "rgb" | "grey" | "cmyk" | "other";
  /** The embedded ICC profile's name; null when there is none and sRGB is assumed. */
  profile: string | null;
  exposure: Exposure;
  /** Its title, rating (1…5) and keywords, as far as the file has them. */
  title?: string;
  stars?: number;
  keywords?: string[];
  /** Left out for a photo that came before this was measured. */
  light?: Light;
  /** Left out as long as nobody has looked. */
  seen?: Seen;
}
