import { stat } from "node:fs/promises";
import { PHOTO_FORMATS, type PhotoFormat, type PhotoRecord } from "@wide-quilt/core";
import { readProfile } from "@wide-quilt/colour";
import type { Metadata } from "sharp";
import { BadPhoto } from "./badPhoto.ts";
import { readAbout } from "./about.ts";
import { PHOTO_LIMITS } from "./limits.ts";
import { openPhoto } from "./open.ts";

const READABLE = "JPEG, PNG, WebP, TIFF, AVIF and HEIC are read";

/**
 * Reads what a photo file is, by its content and never by its name.
 * Throws BadPhoto. A damaged picture part is only found when it is decoded: see `makePreviews`.
 */
export async function inspectPhoto(path: string): Promise<PhotoRecord> {
  const { size: bytes } = await stat(path);
  if (bytes === 0) throw new BadPhoto("The file is empty. Copy it from the camera again.");
  if (bytes > PHOTO_LIMITS.bytes) {
    throw new BadPhoto(
      `The file is larger than ${PHOTO_LIMITS.bytes / 1024 ** 2} MB, the most that is read. Save it smaller.`,
    );
  }
  const meta = await metadata(path);
  const format = formatOf(meta);
  const { width, height } = upright(meta);
  if (width * height > PHOTO_LIMITS.pixels) {
    throw new BadPhoto(
      `The photo has ${width} × ${height} px. At most ${PHOTO_LIMITS.pixels / 1e6} million pixels are read; make it smaller.`,
    );
  }
  return {
    format,
    width,
    height,
    orientation: meta.orientation ?? 1,
    bytes,
    depth: { uchar: 8, char: 8, ushort: 16, short: 16 }[meta.depth as string] ?? 32,
    space: spaceOf(meta),
    profile: meta.icc ? profileName(meta.icc) : null,
    ...(await readAbout(format === "heic" ? exifBlock(meta) : path)),
  };
}

async function metadata(path: string): Promise<Metadata> {
  try {
    // The size is looked at here without a limit, so that a photo that is too large is told its size.
    return await openPhoto(path, { limitInputPixels: false }).metadata();
  } catch (error) {
    if (/pixel limit|dimensions|too (large|big)/i.test(String(error))) {
      throw new BadPhoto("The photo has more pixels than can be read. Make it smaller.");
    }
    throw new BadPhoto(`This is not a photo that can be read, whatever its name says. ${READABLE}.`);
  }
}

/** The EXIF of a HEIF file, which lies where its index says: from its TIFF header on (Exif 2.32, 4.7.2). */
function exifBlock({ exif }: Metadata): Buffer {
  const head = exif?.indexOf("Exif\0\0", 0, "latin1") ?? -1;
  return exif?.subarray(head === -1 ? 0 : head + 6) ?? Buffer.alloc(0);
}

/** What the picture inside a HEIF file is packed with, and how such files are called. */
const HEIF: Record<string, PhotoFormat> = { av1: "avif", hevc: "heic" };

function formatOf(meta: Metadata): PhotoFormat {
  const format = meta.format === "heif" ? HEIF[meta.compression ?? ""] : meta.format;
  const known = PHOTO_FORMATS.find((candidate) => candidate === format);
  if (known) return known;
  throw new BadPhoto(
    `This is a ${String(meta.format).toUpperCase()} file. ${READABLE}; save it as one of these.`,
  );
}

const upright = ({ width, height, orientation = 1 }: Metadata) =>
  orientation >= 5 ? { width: height, height: width } : { width, height };

function spaceOf({ space }: Metadata): PhotoRecord["space"] {
  if (space === "cmyk") return "cmyk";
  if (space === "b-w" || space === "grey16") return "grey";
  return space === "srgb" || space === "rgb" || space === "rgb16" || space === "scrgb" ? "rgb" : "other";
}

/** What an embedded profile calls itself. */
function profileName(icc: Buffer): string {
  try {
    return readProfile(icc).name;
  } catch {
    // A broken profile does not spoil the photo: its colours are then taken for sRGB.
    return "unnamed profile";
  }
}
