import type { PathInk, PixelBox } from "@wide-quilt/core";
import { pixelScale, type Scale, type TiltedWith } from "../svg/marks.ts";
import {
  bodyMark,
  reachOf,
  shadowMark,
  shadowReach,
  turnedData,
  type PictureMark,
  type Square,
} from "../svg/shape.ts";
import { rendered } from "./rendered.ts";

/** A part of a shape as RGBA pixels of sRGB, not multiplied by their alpha, and where they lie. */
export interface ShapeLayer extends PixelBox {
  rgba: Uint8Array;
}

/** Pixels that are painted at once. */
const MOST = 8_000_000;

/**
 * A shape layer by layer from below: its shadow, then itself, its windows taken out of both, strip by strip from the top so
 * that a sheet of any size takes no more memory.
 *
 * Each is drawn by itself and put together here: the library that draws loses what lies in groups inside groups which are
 * larger than what is drawn, or ends the process over them.
 */
export function* shapeLayers(
  ink: PathInk,
  cell: TiltedWith,
  ppi: number,
  page: PixelBox,
  picture: PictureMark | null,
): Generator<ShapeLayer> {
  const scale = pixelScale(ppi);
  const { left, top: first } = page;
  const sheet = { left, top: first, right: left + page.width, bottom: first + page.height };
  // Cut into strips by itself, whichever part of it is painted: it is then the same on two sheets that show it.
  const reaches = pixelsOf(reachOf(ink, cell), scale);
  const all = ink.clip ? inside(reaches, pixelsOf(ink.clip, scale)) : reaches;
  const [width, last] = [all.right - all.left, all.bottom];
  if (width <= 0) return;
  const rows = Math.max(1, Math.floor(MOST / width));
  for (let top = all.top; top < last; top += rows) {
    const part = { ...all, top, bottom: Math.min(last, top + rows) };
    if (!meets(part, sheet)) continue;
    const box = { left: part.left, top, width, height: part.bottom - top };
    const holes =
      ink.cut.length > 0
        ? rendered(ink.cut.map((cut) => `<path d="${turnedData(cut, cell, scale)}"/>`).join(""), box)
        : null;
    // An invisible pixel: a group that is nowhere to be seen ends the process.
    const kept = `<rect x="${part.left}" y="${top}" width="1" height="1" fill="none"/>`;
    const { shadow } = ink;
    if (shadow && meets(pixelsOf(shadowReach(ink, shadow, cell), scale), part)) {
      const thrown = rendered(shadowMark(ink, shadow, cell, scale, "s", kept), box);
      yield { rgba: seenThrough(thrown, holes, 1), ...box };
    }
    const body = rendered(bodyMark(ink, cell, scale, "b", picture, kept), box);
    yield { rgba: seenThrough(body, holes, ink.opacity), ...box };
  }
}

interface Part {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

const pixelsOf = ({ x, y, width, height }: Square, { at }: Scale): Part => ({
  left: Math.floor(at(x)),
  top: Math.floor(at(y)),
  right: Math.ceil(at(x + width)),
  bottom: Math.ceil(at(y + height)),
});

const inside = (a: Part, b: Part): Part => ({
  left: Math.max(a.left, b.left),
  top: Math.max(a.top, b.top),
  right: Math.min(a.right, b.right),
  bottom: Math.min(a.bottom, b.bottom),
});

const meets = (a: Part, b: Part): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Pixels as much as they are to be seen, less what the windows cover. */
function seenThrough(rgba: Buffer, holes: Buffer | null, opacity: number): Uint8Array {
  if (holes === null && opacity === 1) return rgba;
  for (let i = 3; i < rgba.length; i += 4) {
    const left = holes === null ? 255 : 255 - holes[i]!;
    rgba[i] = Math.round((rgba[i]! * left * opacity) / 255);
  }
  return rgba;
}
