import type { Hold } from "../crop/index.ts";
import { grown, onItsSide, type Rect } from "../geometry/index.ts";
import { shotByNumber, type Job } from "../job/index.ts";
import { um } from "../length/index.ts";
import type { CellPlan, Photos } from "./types.ts";

/** Takes hold of the photo in a cell, to move or scale it; null for a cell without one. */
export function holdOf(job: Job, photos: Photos, cell: CellPlan): Hold | null {
  const photo = cell.photo === null ? undefined : photos[cell.photo];
  if (!photo || !cell.picture) return null;
  const upright = cell.turn % 180 === 0 ? cell.finished : onItsSide(cell.finished);
  const finished: Rect = { x: um(0), y: um(0), width: upright.width, height: upright.height };
  return { photo, finished, image: grown(finished, job.finish.slack), shot: shotByNumber(job, cell.shot) };
}

/**
 * A movement over the sheet as the upright piece sees it. A piece on its side is the upright one turned a quarter
 * clockwise: what goes right on the sheet goes up on the piece.
 */
export const onPiece = ({ turn }: CellPlan, dx: number, dy: number): { dx: number; dy: number } =>
  turn % 180 === 0 ? { dx, dy } : { dx: dy, dy: -dx };
