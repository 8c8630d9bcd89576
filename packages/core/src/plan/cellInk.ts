import { bottom, type Rect } from "../base/geometry/index.ts";
import { mm, um } from "../base/length/index.ts";
import { coverWith, placeIn, type Graphic, type Ink } from "../finish/graphics/index.ts";
import {
  fill,
  linesHeight,
  setWords,
  type CaptionStyle,
  type FieldSource,
  type Type,
} from "../finish/words/index.ts";
import { onUpright, standingOnSheet } from "./piece.ts";
import type { CellPlan } from "./types.ts";

/** Between the finished edge and words under it, and between a photo's edge and words over it. */
export const AWAY = mm(0.6);
const INSIDE = mm(1.5);

/** How the name under a piece is set that its layout puts there. */
const NAME: Type = { font: "hanken", size: mm(2.6), least: mm(1.2), colour: "#20242c", align: "middle" };

type Piece = Pick<CellPlan, "finished" | "opening" | "bands" | "turn">;

/** What the layout adds to the words of a cell. */
interface Laid {
  caption?: string;
  under?: Rect;
}

/** The graphics of a job that concern single cells, in their order. */
export interface CellGraphics {
  overlays: readonly Graphic[];
  watermarks: readonly Graphic[];
  proportions: (photo: string) => number | null;
}

/** Most cells have nothing over them; a plan of hundreds is made sixty times a second. */
const NONE: Ink[] = [];

/** Everything that lies over a photo and its frame: overlays, watermarks, words. `shown` is whether there is a photo. */
export function cellInk(
  piece: Piece,
  laid: Laid,
  caption: CaptionStyle | null,
  sourceOf: () => FieldSource,
  { overlays, watermarks, proportions }: CellGraphics,
  shown: boolean,
): Ink[] {
  if (!caption && laid.caption === undefined && overlays.length === 0 && watermarks.length === 0) return NONE;
  const over: Ink[] = [];
  const source = sourceOf();
  if (shown) {
    const whole = { ...standingOnSheet(onUpright(piece.finished, piece), piece), clip: piece.finished };
    for (const graphic of overlays) over.push(...coverWith(graphic, whole, proportions));
    const photo = { ...standingOnSheet(onUpright(piece.opening, piece), piece), clip: piece.opening };
    for (const graphic of watermarks) over.push(...placeIn(graphic, photo, source, proportions));
  }
  if (laid.caption !== undefined) over.push(...nameUnder(piece, laid.caption));
  if (caption && shown) {
    const words = fill(caption.text, source);
    const { box, stand } = captionBox(caption, piece, laid.under);
    const { type, lines: most } = caption;
    const text = setWords(words, { ...standingOnSheet(box, piece), type, most, stand });
    if (text) over.push({ kind: "text", text, clip: null });
  }
  return over;
}

/** The lower part of the border or board that is deepest there: words never stand on the line between two. */
function deepestBelow(piece: Piece, finished: Rect): Rect | null {
  const parts = piece.bands.map((band): Rect => {
    const inner = onUpright(band.inner, piece);
    const foot = Math.min(bottom(onUpright(band.outer, piece)), bottom(finished));
    return { x: inner.x, y: bottom(inner), width: inner.width, height: um(foot - bottom(inner)) };
  });
  const deepest = parts.sort((a, b) => b.height - a.height)[0];
  return deepest && deepest.height > 0 ? deepest : null;
}

/** A name under an upright piece, in the middle; with a piece that lies on its side it lies at the left of it. */
function nameUnder(piece: Piece, name: string): Ink[] {
  const box = under(onUpright(piece.finished, piece), linesHeight(1, NAME.size));
  const text = setWords(name, { ...standingOnSheet(box, piece), type: NAME, most: 1, stand: "middle" });
  return text ? [{ kind: "text", text, clip: null }] : [];
}

const under = (finished: Rect, height: number): Rect => ({
  x: finished.x,
  y: um(bottom(finished) + AWAY),
  width: finished.width,
  height: um(height),
});

/**
 * Where the words of an upright piece stand.
 *
 *     ┌───────────┐ finished
 *     │ ┌───────┐ │
 *     │ │ top   │ │ opening
 *     │ │ middle│ │
 *     │ │ foot  │ │
 *     │ └───────┘ │
 *     │lower border
 *     └───────────┘
 *      under
 */
function captionBox(
  { place, lines, type }: CaptionStyle,
  piece: Piece,
  laidUnder: Rect | undefined,
): { box: Rect; stand: "top" | "middle" | "foot" } {
  const finished = onUpright(piece.finished, piece);
  const opening = onUpright(piece.opening, piece);
  const inside: Rect = {
    x: um(opening.x + INSIDE),
    y: um(opening.y + INSIDE),
    width: um(opening.width - 2 * INSIDE),
    height: um(opening.height - 2 * INSIDE),
  };
  switch (place) {
    case "under":
      return {
        box: laidUnder ? onUpright(laidUnder, piece) : under(finished, linesHeight(lines, type.size)),
        stand: "top",
      };
    case "lower border": {
      const border = deepestBelow(piece, finished);
      // Without a border below there is none to stand in.
      return border ? { box: border, stand: "middle" } : { box: inside, stand: "foot" };
    }
    case "foot":
    case "middle":
    case "top":
      return { box: inside, stand: place };
  }
}
