import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";
import { Picture } from "../index.ts";

/** An SVG as a camera would write it: a JPEG, with something done to it on the way. */
export async function photographed(
  svg: string,
  { blur = 0, width, jpeg = 90 }: { blur?: number; width?: number; jpeg?: number } = {},
): Promise<Picture> {
  const drawn = new Resvg(svg, { font: { loadSystemFonts: false } }).render();
  let image = sharp(drawn.pixels, { raw: { width: drawn.width, height: drawn.height, channels: 4 } }).flatten(
    {
      background: "#ffffff",
    },
  );
  if (blur > 0) image = image.blur(blur);
  if (width !== undefined) image = image.resize(width);
  const file = await image.jpeg({ quality: jpeg }).toBuffer();
  const { data, info } = await sharp(file).raw().toBuffer({ resolveWithObject: true });
  return new Picture({ data, width: info.width, height: info.height, channels: 3 });
}
