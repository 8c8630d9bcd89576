import sharp from "sharp";
import type { Media, Model } from "./models.ts";

/**
 * What comes out of a printer for a picture: fitted to the page as it lies, enlarged about its middle where the printer
 * does that, nothing where it cannot print, cut into pieces.
 */
export async function printPicture(jpeg: Buffer, media: Media, model: Model): Promise<Buffer[]> {
  const px = (hundredths: number) => Math.round((hundredths * model.ppi) / 2540);
  const upright = { width: px(media.width), height: px(media.height) };
  const { width: w, height: h } = await sharp(jpeg).metadata();
  const lies = w > h;
  const page = lies ? { width: upright.height, height: upright.width } : upright;
  const scale = 1 + model.enlarges / 100;
  const large = { width: Math.round(page.width * scale), height: Math.round(page.height * scale) };
  const picture = await sharp(jpeg)
    .resize(large.width, large.height, { fit: "contain", background: "#ffffff" })
    .extract({
      left: Math.floor((large.width - page.width) / 2),
      top: Math.floor((large.height - page.height) / 2),
      ...page,
    })
    .flatten({ background: "#ffffff" })
    .raw()
    .toBuffer();
  const { top, right, bottom, left } = media.edges;
  // The edges turn with the paper: a sheet that lies is the upright one turned a quarter clockwise.
  const edge = lies ? [left, top, right, bottom].map(px) : [top, right, bottom, left].map(px);
  const [above, after, below, before] = edge as [number, number, number, number];
  const raw = { ...page, channels: 3 } as const;
  const printed = sharp(picture, { raw })
    .extract({
      left: before,
      top: above,
      width: page.width - before - after,
      height: page.height - above - below,
    })
    .extend({ top: above, right: after, bottom: below, left: before, background: "#ffffff" });
  const whole = await printed.png().withDensity(model.ppi).toBuffer();
  if (model.cuts === 1) return [whole];
  const pieces = [];
  for (let i = 0; i < model.cuts; i++) {
    const from = Math.round((page.width * i) / model.cuts);
    const to = Math.round((page.width * (i + 1)) / model.cuts);
    const piece = sharp(whole).extract({ left: from, top: 0, width: to - from, height: page.height });
    pieces.push(await piece.png().toBuffer());
  }
  return pieces;
}
