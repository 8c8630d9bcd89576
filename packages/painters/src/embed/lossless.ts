import { open } from "node:fs/promises";
import type { Metadata } from "sharp";

/** How a TIFF is compressed that loses something (TIFF 6.0 and its Technical Note 2). */
const LOSSY_TIFF = ["jpeg", "webp"];

/** Whether a photo's file holds its pixels without loss, so that it should come out so too. */
export async function losesNothing(path: string, { format, compression }: Metadata): Promise<boolean> {
  switch (format) {
    case "png":
    case "gif":
      return true;
    case "tiff":
      return !LOSSY_TIFF.includes(compression ?? "");
    case "webp":
      return isLosslessWebp(path);
    default:
      return false;
  }
}

/** The first chunk of a simple WebP says how it is packed (RFC 9649, 2.5 and 2.6); of an extended one it is not looked for. */
async function isLosslessWebp(path: string): Promise<boolean> {
  const file = await open(path);
  try {
    const { buffer } = await file.read(Buffer.alloc(16), 0, 16, 0);
    return buffer.toString("latin1", 12, 16) === "VP8L";
  } finally {
    await file.close();
  }
}
