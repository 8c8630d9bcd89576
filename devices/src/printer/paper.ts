import sharp from "sharp";
import type { PagePicture } from "./document.ts";
import type { Media, Model } from "./models.ts";

/** What a job says of how it is printed. */
export interface Wanted {
  media: Media;
  /** Fitted to the page, or as large as it means to be (print-scaling of PWG 5100.13). */
  scaling: "auto" | "none";
  grey: boolean;
}

/**
 * What comes out of a printer for a page, as it lies: enlarged about its middle where the printer does that, nothing
 * where it cannot print, cut into pieces.
 */
export async function printPage(
  page: PagePicture,
  { media, scaling, grey }: Wanted,
  model: Model,
): Promise<Buffer[]> {
  const px = (hundredths: number) => Math.round((hundredths * model.ppi) / 2540);
  const upright = { width: px(media.width), height: px(media.height) };
  const lies = page.width > page.height;
  const paper = lies ? { width: upright.height, height: upright.width } : upright;
  const fit =
    scaling === "auto"
      ? Math.min(paper.width / page.width, paper.height / page.height)
      : model.ppi / page.ppi;
  const scale = fit * (1 + model.enlarges / 100);
  const printed = await onPaper(page, scale, paper, grey);
  const { top, right, bottom, left } = media.edges;
  // The edges turn with the paper: a sheet that lies is the upright one turned a quarter clockwise.
  const edge = lies ? [left, top, right, bottom].map(px) : [top, right, bottom, left].map(px);
  const [above, after, below, before] = edge as [number, number, number, number];
  const cleared = sharp(printed)
    .extract({
      left: before,
      top: above,
      width: paper.width - before - after,
      height: paper.height - above - below,
    })
    .extend({ top: above, right: after, bottom: below, left: before, background: WHITE });
  const whole = await cleared.png().withDensity(model.ppi).toBuffer();
  if (model.cuts === 1) return [whole];
  const pieces = [];
  for (let i = 0; i < model.cuts; i++) {
    const from = Math.round((paper.width * i) / model.cuts);
    const to = Math.round((paper.width * (i + 1)) / model.cuts);
    const piece = sharp(whole).extract({ left: from, top: 0, width: to - from, height: paper.height });
    pieces.push(await piece.png().toBuffer());
  }
  return pieces;
}

const WHITE = "#ffffff";

/** A page in its size about the middle of the paper; what is larger than that is lost. */
async function onPaper(
  { picture, width, height }: PagePicture,
  scale: number,
  paper: { width: number; height: number },
  grey: boolean,
): Promise<Buffer> {
  const size = { width: Math.round(width * scale), height: Math.round(height * scale) };
  const before = (own: number, all: number) => Math.floor(Math.abs(all - own) / 2);
  const kept = { width: Math.min(size.width, paper.width), height: Math.min(size.height, paper.height) };
  const left = before(size.width, paper.width);
  const top = before(size.height, paper.height);
  const sized = picture.flatten({ background: WHITE }).resize(size.width, size.height, { fit: "fill" });
  const { data, info } = await (grey ? sized.grayscale() : sized)
    .extract({
      left: size.width > paper.width ? left : 0,
      top: size.height > paper.height ? top : 0,
      ...kept,
    })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const [x, y] = [kept.width < paper.width ? left : 0, kept.height < paper.height ? top : 0];
  return sharp(data, { raw: { ...kept, channels: info.channels } })
    .extend({
      left: x,
      right: paper.width - kept.width - x,
      top: y,
      bottom: paper.height - kept.height - y,
      background: WHITE,
    })
    .png({ compressionLevel: 1 })
    .toBuffer();
}
