import sharp from "sharp";
import { openUpright } from "./open.ts";

/** Longest side of a moving picture, in pixels: what telephones show and send without asking. */
const SIDE = 640;
/** How long each picture stands, and the last one, in milliseconds. */
const STANDS = 500;
const LAST = 1000;

/**
 * Photos one after the other, again and again, as a GIF (89a). All are cut to the shape of the first around their middle.
 * Throws what sharp throws.
 */
export async function movingPicture(paths: readonly string[]): Promise<Buffer> {
  const [first] = paths;
  const { data, info } = await openUpright(first!)
    .resize({ width: SIDE, height: SIDE, fit: "inside", withoutEnlargement: true })
    .png()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const others = paths
    .slice(1)
    .map((path) => openUpright(path).resize({ width, height, fit: "cover" }).png().toBuffer());
  const pictures = [data, ...(await Promise.all(others))];
  const delay = pictures.map((_, i) => (i === pictures.length - 1 ? LAST : STANDS));
  return sharp(pictures, { join: { animated: true } })
    .gif({ delay, loop: 0 })
    .toBuffer();
}
