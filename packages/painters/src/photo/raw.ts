import { open, readFile } from "node:fs/promises";
import exifr from "exifr";
import sharp from "sharp";

/** JPEG quality of a camera’s picture that had to be turned upright. */
const QUALITY = 95;

/** How files begin that hold what a sensor saw, and beside it a picture of the camera’s own. */
const SIGNATURES: readonly (readonly [at: number, bytes: string])[] = [
  [0, "II*\0"],
  [0, "MM\0*"],
  [0, "IIRO"],
  [0, "IIRS"],
  [0, "IIU\0"],
  [0, "FUJIFILMCCD-RAW"],
  [4, "ftypcrx "],
];
/** Two of them are those of any TIFF (TIFF 6.0, section 2), which is a photo itself. */
const OF_TIFF = new Set(["II*\0", "MM\0*"]);

/** By how much more pixels a camera’s picture has than the first one of its file, which is a thumbnail then. */
const MORE = 4;

/**
 * The picture that a camera put into a RAW file, upright: the largest whole JPEG in it. Null for files of other kinds, a TIFF
 * among them, and where there is none.
 */
export async function pictureInRaw(path: string): Promise<Buffer | null> {
  const signature = await signatureOf(path);
  if (signature === null) return null;
  const file = await readFile(path);
  const found = largestJpeg(file);
  if (!found) return null;
  if (OF_TIFF.has(signature)) {
    const first = await sharp(path, { limitInputPixels: false })
      .metadata()
      .catch(() => null);
    if (first && found.width * found.height < MORE * first.width * first.height) return null;
  }
  const jpeg = file.subarray(found.from, found.to);
  const own = (await sharp(jpeg).metadata()).orientation;
  const orientation = own ?? (await exifr.orientation(path).catch(() => undefined)) ?? 1;
  if (orientation === 1) return Buffer.from(jpeg);
  const marked = own === undefined ? await sharp(jpeg).withMetadata({ orientation }).toBuffer() : jpeg;
  return sharp(marked)
    .autoOrient()
    .keepIccProfile()
    .jpeg({ quality: QUALITY, chromaSubsampling: "4:4:4" })
    .toBuffer();
}

async function signatureOf(path: string): Promise<string | null> {
  const file = await open(path);
  try {
    const head = Buffer.alloc(32);
    await file.read(head, 0, head.length, 0);
    const text = head.toString("latin1");
    return SIGNATURES.find(([at, bytes]) => text.startsWith(bytes, at))?.[1] ?? null;
  } finally {
    await file.close();
  }
}

interface Found {
  from: number;
  to: number;
  width: number;
  height: number;
}

function largestJpeg(file: Buffer): Found | null {
  let best: Found | null = null;
  for (let at = file.indexOf(START); at !== -1;) {
    const found = jpegAt(file, at);
    if (found && (!best || found.width * found.height > best.width * best.height)) best = found;
    at = file.indexOf(START, found ? found.to : at + 1);
  }
  return best;
}

const START = Buffer.from([0xff, 0xd8, 0xff]);
/** Frames that every reader decodes: baseline, extended, progressive. What a sensor saw is packed without loss (C3). */
const FRAMES = new Set([0xc0, 0xc1, 0xc2]);
const OTHER_FRAMES = new Set([0xc3, 0xc5, 0xc6, 0xc7, 0xc9, 0xca, 0xcb, 0xcd, 0xce, 0xcf]);

/** A whole JPEG that begins at a place, marker by marker to its end (ITU-T T.81, B.1.1 and B.2). */
function jpegAt(file: Buffer, from: number): Found | null {
  let size: Pick<Found, "width" | "height"> | null = null;
  for (let at = from + 2; at + 2 <= file.length;) {
    if (file[at] !== 0xff) return null;
    const marker = file[at + 1]!;
    if (marker === 0xd9) return size && { from, to: at + 2, ...size };
    if (marker === 0xff) {
      at++;
      continue;
    }
    if (OTHER_FRAMES.has(marker) || at + 4 > file.length) return null;
    if (FRAMES.has(marker)) {
      if (at + 9 > file.length) return null;
      size = { height: file.readUInt16BE(at + 5), width: file.readUInt16BE(at + 7) };
    }
    at += 2 + file.readUInt16BE(at + 2);
    if (marker === 0xda) at = endOfScan(file, at);
  }
  return null;
}

/** Where the next marker stands after coded data: FF that is neither stuffed nor a restart. */
function endOfScan(file: Buffer, from: number): number {
  for (let at = file.indexOf(0xff, from); at !== -1; at = file.indexOf(0xff, at + 1)) {
    const next = file[at + 1] ?? 0;
    if (next !== 0 && !(next >= 0xd0 && next <= 0xd7)) return at;
  }
  return file.length;
}
