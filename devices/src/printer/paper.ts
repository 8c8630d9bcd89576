import sharp from "sharp";
import type { PagePicture } from "./document.ts";
import type { Media, Model } from "./models.ts";

/** What a job says of how it is printed. */
export interface Wanted {
  media: Media;
  /** Fitted to the page, or as large as it means to be (print-scaling of PWG 5100.13). */
  scaling: "auto" | "none";
  grey: boolean;
  /** Where it is cut right through, in hundredths of a millimetre from its left and its top; nothing where it is not. */
  trims: { left: number[]; top: number[] };
}

/**
 * What comes out of a printer for a page, as it lies: enlarged about its middle where the printer does that, nothing
 * where it cannot print, cut into pieces.
 */
export async function printPage(
  page: PagePicture,
  { media, scaling, grey, trims }: Wanted,
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
  const own = Array.from({ length: model.cuts - 1 }, (_, i) =>
    Math.round((paper.width * (i + 1)) / model.cuts),
  );
  const across = [0, ...own, ...trims.left.map(px), paper.width].sort((a, b) => a - b);
  const down = [0, ...trims.top.map(px), paper.height].sort((a, b) => a - b);
  if (across.length + down.length === 4) return [whole];
  const pieces = down.slice(1).flatMap((bottom, row) =>
    across.slice(1).map((right, column) => {
      const [left, top] = [across[column]!, down[row]!];
      return sharp(whole)
        .extract({ left, top, width: right - left, height: bottom - top })
        .png()
        .toBuffer();
    }),
  );
  return Promise.all(pieces);
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
  const across = aboutMiddle(size.width, paper.width);
  const down = aboutMiddle(size.height, paper.height);
  const sized = picture.flatten({ background: WHITE }).resize(size.width, size.height, { fit: "fill" });
  const { data, info } = await (grey ? sized.grayscale() : sized)
    .extract({ left: across.lost, width: across.kept, top: down.lost, height: down.kept })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width: w, height: h, channels } = info;
  return sharp(data, { raw: { width: w, height: h, channels } })
    .extend({
      left: across.before,
      right: across.after,
      top: down.before,
      bottom: down.after,
      background: WHITE,
    })
    .png({ compressionLevel: 1 })
    .toBuffer();
}

/** Along one side: what of a page is lost at its beginning, what is kept, and the bare paper before and after that. */
function aboutMiddle(own: number, paper: number) {
  const kept = Math.min(own, paper);
  const before = Math.floor((paper - kept) / 2);
  return { lost: Math.floor((own - kept) / 2), kept, before, after: paper - kept - before };
}
