import { pixelBox, STRETCH, type PagePart, type PartWrap, type PixelBox } from "@wide-quilt/core";
import { blankSheet, fillBox, makePale, samples, type SheetPixels } from "./canvas.ts";

/** Paints a box of the page, at so many pixels to an inch of it. */
export type PaintBox = (ppi: number, box: PixelBox) => Promise<SheetPixels>;

/** The pixels of a part of a page as they lie before they are turned: its face, what goes around that, pale strips. */
export async function partPixels(part: PagePart, ppi: number, paint: PaintBox): Promise<SheetPixels> {
  const own = ppi * part.scale;
  const pixels = await wrappedPixels(part.wrap, own, pixelBox(part.prints, own), paint);
  for (const strip of part.pale) makePale(pixels, pixelBox(strip, own));
  return pixels;
}

/** A box of a panel: the page, and outside the panel’s face what goes around its edges. */
export async function wrappedPixels(
  wrap: PartWrap | null,
  ppi: number,
  box: PixelBox,
  paint: PaintBox,
): Promise<SheetPixels> {
  if (!wrap) return paint(ppi, box);
  const face = pixelBox(wrap.face, ppi);
  const across = sourcesOf(wrap.way, box.left, box.width, face.left, face.width);
  const down = sourcesOf(wrap.way, box.top, box.height, face.top, face.height);
  const seen = {
    left: across.least,
    top: down.least,
    width: across.most - across.least + 1,
    height: down.most - down.least + 1,
  };
  const page = await paint(ppi, seen);
  const made = mapped(page, box, across, down);
  if (wrap.way === "colour") {
    const right = { ...box, left: Math.max(box.left, face.left + face.width) };
    const foot = { ...box, top: Math.max(box.top, face.top + face.height) };
    const sides = [
      { ...box, width: Math.min(box.width, face.left - box.left) },
      { ...box, height: Math.min(box.height, face.top - box.top) },
      { ...right, width: box.left + box.width - right.left },
      { ...foot, height: box.top + box.height - foot.top },
    ];
    for (const side of sides) if (side.width > 0 && side.height > 0) fillBox(made, side, wrap.colour);
  }
  return made;
}

/** For every pixel along a side: the pixel of the page that is seen there, and how much of the next one. */
interface Sources {
  at: Int32Array;
  share: Float32Array;
  least: number;
  most: number;
}

/**
 * Where the pixels along one side come from. Reflected, pixel i before the face’s first one f shows 2 f − 1 − i; stretched,
 * what lies at a distance d shows the page at d / 4. They are counted from the page’s own edges, whichever part is painted,
 * so that parts that meet agree.
 */
function sourcesOf(
  way: PartWrap["way"],
  from: number,
  length: number,
  first: number,
  count: number,
): Sources {
  const last = first + count - 1;
  const at = new Int32Array(length);
  const share = new Float32Array(length);
  let [least, most] = [last, first];
  for (let n = 0; n < length; n++) {
    const i = from + n;
    let place = i;
    if (i < first) place = way === "mirrored" ? 2 * first - 1 - i : first - 0.5 + (first - i - 0.5) / STRETCH;
    else if (i > last)
      place = way === "mirrored" ? 2 * last + 1 - i : last + 0.5 - (i - last - 0.5) / STRETCH;
    place = Math.min(Math.max(place, first), last);
    at[n] = Math.floor(place);
    share[n] = place - at[n]!;
    least = Math.min(least, at[n]!);
    most = Math.max(most, share[n]! > 0 ? at[n]! + 1 : at[n]!);
  }
  return { at, share, least, most };
}

/** Pixels looked up where they come from, those between two weighed. */
function mapped(page: SheetPixels, box: PixelBox, across: Sources, down: Sources): SheetPixels {
  const { space } = page;
  const { channels } = space;
  const made = blankSheet(box.width, box.height, space, box);
  const index = (x: number, y: number) => ((y - page.top) * page.width + x - page.left) * channels;
  for (let y = 0; y < box.height; y++) {
    const v = down.share[y]!;
    for (let x = 0; x < box.width; x++) {
      const u = across.share[x]!;
      const from = index(across.at[x]!, down.at[y]!);
      const to = (y * box.width + x) * channels;
      if (u === 0 && v === 0) {
        for (let c = 0; c < channels; c++) made.data[to + c] = page.data[from + c]!;
        continue;
      }
      const right = u === 0 ? from : from + channels;
      const below = v === 0 ? 0 : page.width * channels;
      for (let c = 0; c < channels; c++) {
        const above = page.data[from + c]! * (1 - u) + page.data[right + c]! * u;
        const under = page.data[from + below + c]! * (1 - u) + page.data[right + below + c]! * u;
        made.data[to + c] = Math.round(above * (1 - v) + under * v);
      }
    }
  }
  return made;
}

/** Pixels turned by quarters, clockwise. */
export function turnedPixels(pixels: SheetPixels, turn: PagePart["turn"]): SheetPixels {
  if (turn === 0) return pixels;
  const { width, height, space, data } = pixels;
  const { channels } = space;
  const sideways = turn !== 180;
  const [wide, high] = sideways ? [height, width] : [width, height];
  const made = samples(data.length, space);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const column = turn === 90 ? height - 1 - y : turn === 180 ? width - 1 - x : y;
      const row = turn === 90 ? x : turn === 180 ? height - 1 - y : width - 1 - x;
      const [to, from] = [(row * wide + column) * channels, (y * width + x) * channels];
      for (let c = 0; c < channels; c++) made[to + c] = data[from + c]!;
    }
  }
  return { ...pixels, data: made, width: wide, height: high, left: 0, top: 0 };
}
