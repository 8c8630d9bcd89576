import { LIGHT_PARTS, type Light } from "@wide-quilt/core";
import sharp from "sharp";

/** Pixels along the longer side that light is measured in: letters are not thinner than one of them. */
const PIXELS = 16 * LIGHT_PARTS;
/** What is left out at the dark and at the light end of a part. */
const LEFT_OUT = 0.02;

/** How dark and how light each part of a picture is. `preview` is an upright sRGB picture. */
export async function lightOf(preview: Buffer): Promise<Light> {
  const { data, info } = await sharp(preview)
    .resize({ width: PIXELS, height: PIXELS, fit: "inside", withoutEnlargement: true })
    .toColourspace("srgb")
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const part = Math.max(width, height) / LIGHT_PARTS;
  const columns = Math.max(1, Math.round(width / part));
  const rows = Math.max(1, Math.round(height / part));
  const parts = Array.from({ length: columns * rows }, (_, i) => {
    const [column, row] = [i % columns, Math.floor(i / columns)];
    const across = spanOf(column, columns, width);
    const down = spanOf(row, rows, height);
    return endsOf(data, width, across, down);
  });
  return { columns, rows, parts: parts.join("") };
}

type Span = readonly [from: number, to: number];

/** The pixels of a part; at least one, where there are fewer pixels than parts. */
const spanOf = (index: number, count: number, pixels: number): Span => {
  const from = Math.floor((index * pixels) / count);
  return [from, Math.max(from + 1, Math.floor(((index + 1) * pixels) / count))];
};

/** The colours of the darkest and the lightest pixel that count, by their brightness (ITU-R BT.709). */
function endsOf(data: Buffer, width: number, [left, right]: Span, [top, bottom]: Span): string {
  const pixels: { at: number; brightness: number }[] = [];
  for (let y = top; y < bottom; y++) {
    for (let x = left; x < right; x++) {
      const at = 3 * (y * width + x);
      pixels.push({ at, brightness: 0.2126 * data[at]! + 0.7152 * data[at + 1]! + 0.0722 * data[at + 2]! });
    }
  }
  pixels.sort((a, b) => a.brightness - b.brightness);
  const out = Math.floor(LEFT_OUT * pixels.length);
  const colour = ({ at }: { at: number }) => data.toString("hex", at, at + 3);
  return colour(pixels[out]!) + colour(pixels[pixels.length - 1 - out]!);
}
