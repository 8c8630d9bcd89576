import type { Hold } from "../photo/crop/index.ts";
import type { Photos } from "../photo/record/index.ts";
import { uprightPiece } from "./piece.ts";
import type { CellPlan } from "./types.ts";

/** Takes hold of the photo in a cell, to move or scale it; null for a cell without one. */
export function holdOf(photos: Photos, cell: CellPlan): Hold | null {
  const photo = cell.photo === null ? undefined : photos[cell.photo];
  if (!photo || !cell.picture) return null;
  const { opening, cover } = uprightPiece(cell);
  return { photo, finished: opening, image: cover, shot: { ...cell.sits, photo: cell.photo } };
}

/**
 * A movement over the sheet as the upright piece sees it: untilted, and where a piece lies on its side, what goes right
 * on the sheet goes up on the piece.
 */
export function onPiece({ turn, angle }: CellPlan, dx: number, dy: number): { dx: number; dy: number } {
  const radians = (-angle * Math.PI) / 180;
  const [cos, sin] = angle === 0 ? [1, 0] : [Math.cos(radians), Math.sin(radians)];
  const x = dx * cos - dy * sin;
  const y = dx * sin + dy * cos;
  return turn % 180 === 0 ? { dx: x, dy: y } : { dx: y, dy: -x };
}
