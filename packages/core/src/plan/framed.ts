import { bottom, right, type Rect } from "../base/geometry/index.ts";
import { um, type Um } from "../base/length/index.ts";
import { frameOf, type Band, type Style } from "../finish/style/index.ts";
import { onSheet, onUpright } from "./piece.ts";
import type { CellPlan } from "./types.ts";

/** A piece once it wears its border and mat. */
export interface Framed {
  bands: Band[];
  opening: Rect;
  corner: Um;
  /** What the photo has to cover then, and how far it is printed. */
  cover: Rect;
  image: Rect;
}

type Piece = Pick<CellPlan, "finished" | "cover" | "image" | "turn">;

const NONE: Band[] = [];

/**
 * Puts border and mat around a piece's photo. Where the frame leaves an edge of the piece to the photo, the photo runs
 * on past it as before. A frame that would leave nothing of the photo is not worn.
 */
export function framed(piece: Piece, style: Style): Framed {
  const frame =
    style.border || style.mat
      ? frameOf(style, onUpright(piece.finished, piece), onUpright(piece.image, piece))
      : null;
  if (!frame)
    return { bands: NONE, opening: piece.finished, corner: um(0), cover: piece.cover, image: piece.image };
  const opening = onSheet(frame.opening, piece);
  const past = (rect: Rect) => (frame.corner > 0 ? opening : runningOn(opening, piece.finished, rect));
  return {
    bands: frame.bands.map((band) => ({
      ...band,
      outer: onSheet(band.outer, piece),
      inner: onSheet(band.inner, piece),
    })),
    opening,
    corner: frame.corner,
    cover: past(piece.cover),
    image: past(piece.image),
  };
}

/** The opening, as far as `rect` on the sides where the opening goes to the finished edge. */
function runningOn(opening: Rect, finished: Rect, rect: Rect): Rect {
  const x = opening.x === finished.x ? rect.x : opening.x;
  const y = opening.y === finished.y ? rect.y : opening.y;
  const end = right(opening) === right(finished) ? right(rect) : right(opening);
  const foot = bottom(opening) === bottom(finished) ? bottom(rect) : bottom(opening);
  return { x, y, width: um(end - x), height: um(foot - y) };
}
