import { bottom, right, type Rect, type Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { turnedAbout } from "../../photo/crop/index.ts";
import { fill, linesHeight, setWords, textWidth, type FieldSource } from "../words/index.ts";
import type { Ink, PictureInk } from "./ink.ts";
import type { Anchor, Graphic } from "./schema.ts";

/** Width over height of photos, by id; a graphic brings its own. */
export type Proportions = (photo: string) => number | null;

/** Repeats of one watermark in one cell at most. */
const MOST_TILES = 400;

/** How a box lies: what is placed in it is turned with it, about its middle. */
export interface Ground {
  /** The upright box, before it is turned. */
  box: Rect;
  turn: number;
  clip: Rect;
}

/** A graphic that takes the size of what it lies on: an overlay on its cell, a backing on its sheet. */
export function coverWith(graphic: Graphic, { box, turn, clip }: Ground, proportions: Proportions): Ink[] {
  const { fit, opacity, blend } = graphic;
  const picture = pictureOf(graphic, proportions);
  if (!picture) return [];
  const { of, proportion } = picture;
  const size = fit === "stretch" ? box : fitted(proportion, box, fit);
  return [{ kind: "picture", of, rect: anchored(size, box, "middle", 0), turn, opacity, blend, clip }];
}

/** Which picture a graphic is, and its width over height; null for words and for a photo that is missing. */
function pictureOf(
  { of }: Graphic,
  proportions: Proportions,
): (Pick<PictureInk, "of"> & { proportion: number }) | null {
  if (of.kind === "words") return null;
  if (of.kind === "file") return { of: { kind: of.kind, id: of.file }, proportion: of.proportion };
  const proportion = of.photo === null ? null : proportions(of.photo);
  return proportion === null ? null : { of: { kind: of.kind, id: of.photo! }, proportion };
}

/** The largest size inside a box, or the least that covers it. */
function fitted(proportion: number, box: Size, fit: "whole" | "fill"): Size {
  const wider = proportion > box.width / box.height;
  return wider === (fit === "whole")
    ? { width: box.width, height: um(Math.round(box.width / proportion)) }
    : { width: um(Math.round(box.height * proportion)), height: box.height };
}

/** A stamp or a watermark: placed once in its box, or repeated all over it. */
export function placeIn(
  graphic: Graphic,
  { box, turn, clip }: Ground,
  source: FieldSource,
  proportions: Proportions,
): Ink[] {
  const { of, width, opacity, blend } = graphic;
  if (of.kind === "words") {
    const words = fill(of.text, source);
    const one = textWidth(words, of.font, 1);
    if (one === 0) return [];
    const height = um(Math.max(1, Math.floor(width / one)));
    const size: Size = { width: um(width + 2), height: linesHeight(1, height) };
    const type = { font: of.font, size: height, least: height, colour: of.colour, align: "middle" as const };
    return spots(graphic, size, { box, turn, clip }).flatMap(({ rect, turned }): Ink[] => {
      const text = setWords(words, { box: rect, type, most: 1, stand: "middle", turn: turned, opacity });
      return text ? [{ kind: "text", text, clip }] : [];
    });
  }
  const picture = pictureOf(graphic, proportions);
  if (!picture) return [];
  const size: Size = { width, height: um(Math.max(1, Math.round(width / picture.proportion))) };
  return spots(graphic, size, { box, turn, clip }).map(({ rect, turned }): Ink => ({
    kind: "picture",
    of: picture.of,
    rect,
    turn: turned,
    opacity,
    blend,
    clip,
  }));
}

/**
 * Where it is painted, each place before its turn. Repeats stand on a grid that is turned about the middle of the box,
 * every other row moved by half a step:
 *
 *     ▭   ▭   ▭
 *       ▭   ▭   ▭
 *     ▭   ▭   ▭
 */
function spots(graphic: Graphic, size: Size, { box, turn }: Ground): { rect: Rect; turned: number }[] {
  const turned = turn + graphic.turn;
  const middle = middleOf(box);
  if (graphic.role !== "watermark" || !graphic.tiled) {
    const rect = anchored(size, box, graphic.at, graphic.away);
    if (turn === 0) return [{ rect, turned }];
    return [{ rect: about(size, turnedAbout(box, turn, middleOf(rect))), turned }];
  }
  const reach = Math.hypot(box.width, box.height) / 2;
  let [across, down] = [size.width + graphic.apart, size.height + graphic.apart];
  const tiles = ((2 * reach) / across + 1) * ((2 * reach) / down + 1);
  if (tiles > MOST_TILES) {
    const wider = Math.sqrt(tiles / MOST_TILES) * 1.1;
    [across, down] = [across * wider, down * wider];
  }
  const rows = Math.ceil(reach / down);
  const columns = Math.ceil(reach / across) + 1;
  const places: { rect: Rect; turned: number }[] = [];
  for (let row = -rows; row <= rows; row++) {
    for (let column = -columns; column <= columns; column++) {
      const straight = {
        x: middle.x + (column + (row % 2 === 0 ? 0 : 0.5)) * across,
        y: middle.y + row * down,
      };
      const at = turnedAbout(box, turned, straight);
      const seen =
        Math.abs(at.x - middle.x) < (box.width + size.width + size.height) / 2 &&
        Math.abs(at.y - middle.y) < (box.height + size.width + size.height) / 2;
      if (seen) places.push({ rect: about(size, at), turned });
    }
  }
  return places;
}

interface Point {
  x: number;
  y: number;
}

const middleOf = ({ x, y, width, height }: Rect): Point => ({ x: x + width / 2, y: y + height / 2 });

const about = ({ width, height }: Size, { x, y }: Point): Rect => ({
  x: um(Math.round(x - width / 2)),
  y: um(Math.round(y - height / 2)),
  width,
  height,
});

/** A size at one of nine places of a box, away from the edges it is placed at. */
export function anchored({ width, height }: Size, box: Rect, at: Anchor, away: number): Rect {
  const x = at.includes("left")
    ? box.x + away
    : at.includes("right")
      ? right(box) - away - width
      : Math.round(box.x + (box.width - width) / 2);
  const y = at.includes("top")
    ? box.y + away
    : at.includes("bottom")
      ? bottom(box) - away - height
      : Math.round(box.y + (box.height - height) / 2);
  return { x: um(x), y: um(y), width, height };
}
