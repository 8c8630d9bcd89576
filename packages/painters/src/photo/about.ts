import type { Exposure, PhotoRecord } from "@wide-quilt/core";
import exifr from "exifr";

const OPTIONS = {
  tiff: true,
  exif: true,
  xmp: true,
  iptc: true,
  gps: false,
  interop: false,
  mergeOutput: false,
  reviveValues: false,
};

type Tags = Record<string, unknown>;

/**
 * Reads how a photo was taken and what is said of it, from EXIF (Exif 2.32, 4.6), XMP (dc:title, dc:subject, xmp:Rating)
 * and IPTC. A file without it, or with nonsense in it, gives less or nothing. `file` is a path, or a block of EXIF alone.
 */
export async function readAbout(
  file: string | Buffer,
): Promise<Pick<PhotoRecord, "exposure" | "title" | "stars" | "keywords">> {
  let read: Record<"ifd0" | "exif" | "xmp" | "dc" | "iptc", Tags | undefined> | undefined;
  try {
    read = await exifr.parse(file, OPTIONS);
  } catch {
    // exifr throws on formats it does not know; such a photo simply has nothing to say.
  }
  const { ifd0 = {}, exif = {}, xmp = {}, dc = {}, iptc = {} } = read ?? {};
  const keywords = words(dc.subject ?? iptc.Keywords);
  return {
    exposure: exposureOf(ifd0, exif),
    title: text(langOf(dc.title)) ?? text(iptc.ObjectName) ?? undefined,
    stars: stars(xmp.Rating ?? ifd0.Rating),
    keywords: keywords.length > 0 ? keywords : undefined,
  };
}

function exposureOf(ifd0: Tags, exif: Tags): Exposure {
  const camera = [text(ifd0.Make), text(ifd0.Model)].filter(Boolean).join(" ");
  return {
    camera: camera || undefined,
    lens: text(exif.LensModel),
    // Nothing is exposed for a month, no lens is longer than a street: such figures are a camera's mistake.
    shutter: between(exif.ExposureTime, 1e-6, 2_592_000),
    aperture: between(exif.FNumber, 0.3, 512),
    iso: between(Array.isArray(exif.ISO) ? exif.ISO[0] : exif.ISO, 1, 10_000_000),
    focalLength: between(exif.FocalLength, 0.1, 50_000),
    takenAt: takenAt(exif.DateTimeOriginal),
  };
}

// eslint-disable-next-line no-control-regex
const CONTROL = /[\u0000-\u001f\u007f-\u009f\ufffd]+/g;

const text = (value: unknown): string | undefined =>
  typeof value === "string" ? value.replaceAll(CONTROL, " ").trim().slice(0, 120) || undefined : undefined;

/** XMP gives a text in several languages as { lang, value } or a list of them. */
const langOf = (value: unknown): unknown => {
  const first: unknown = Array.isArray(value) ? value[0] : value;
  return typeof first === "object" && first !== null && "value" in first ? first.value : first;
};

const words = (value: unknown): string[] =>
  (Array.isArray(value) ? value : [value]).flatMap((one) => text(one)?.slice(0, 60) ?? []).slice(0, 30);

const stars = (value: unknown): number | undefined => {
  const rating = Number(value);
  return Number.isInteger(rating) && rating >= 1 && rating <= 5 ? rating : undefined;
};

const between = (value: unknown, least: number, most: number): number | undefined =>
  typeof value === "number" && value >= least && value <= most ? value : undefined;

/** EXIF writes "2026:10:03 07:41:12"; cameras without a set clock write zeros, broken ones write days that are none. */
function takenAt(value: unknown): string | undefined {
  const found = /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)/.exec(text(value) ?? "");
  if (!found) return undefined;
  const [year, month, day, hour, minute, second] = found.slice(1) as string[];
  const at = `${year}-${month}-${day}T${hour}:${minute}:${second}`;
  const real = new Date(`${at}Z`);
  return Number(year) > 0 && !Number.isNaN(real.getTime()) && real.toISOString().startsWith(at)
    ? at
    : undefined;
}
