import type { Exposure } from "@wide-quilt/core";
import exifr from "exifr";

const TAGS = [
  "Make",
  "Model",
  "LensModel",
  "ExposureTime",
  "FNumber",
  "ISO",
  "FocalLength",
  "DateTimeOriginal",
];

/** Reads the exposure from EXIF (Exif 2.32, 4.6.5). A file without it, or with nonsense in it, gives less or nothing. */
export async function readExposure(path: string): Promise<Exposure> {
  let tags: Record<string, unknown> | undefined;
  try {
    tags = await exifr.parse(path, { pick: TAGS, reviveValues: false });
  } catch {
    // exifr throws on formats it does not know; such a photo simply has no exposure to show.
  }
  if (!tags) return {};
  const camera = [text(tags.Make), text(tags.Model)].filter(Boolean).join(" ");
  return {
    camera: camera || undefined,
    lens: text(tags.LensModel),
    shutter: positive(tags.ExposureTime),
    aperture: positive(tags.FNumber),
    iso: positive(tags.ISO),
    focalLength: positive(tags.FocalLength),
    takenAt: takenAt(tags.DateTimeOriginal),
  };
}

const text = (value: unknown): string | undefined =>
  typeof value === "string" && value.trim() !== "" ? value.trim().slice(0, 120) : undefined;

const positive = (value: unknown): number | undefined =>
  typeof value === "number" && Number.isFinite(value) && value > 0 ? value : undefined;

/** EXIF writes "2026:10:03 07:41:12"; cameras without a set clock write zeros. */
function takenAt(value: unknown): string | undefined {
  const found = /^(\d{4}):(\d\d):(\d\d) (\d\d:\d\d:\d\d)/.exec(text(value) ?? "");
  if (!found || found[1] === "0000") return undefined;
  const [, year, month, day, time] = found;
  return `${year}-${month}-${day}T${time}`;
}
