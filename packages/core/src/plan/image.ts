import { bottom, grown, overlap, right, type Rect } from "../base/geometry/index.ts";
import { um } from "../base/length/index.ts";

/** The finished sheet on its paper, and how far its bleed goes. */
export interface SheetEdges {
  paper: Rect;
  trim: Rect;
  bleed: Rect;
}

/**
 * What a photo has to cover: the finished size and how far it runs on past that; where the cell touches the edge of the finished sheet or
 * reaches over it, the bleed of that.
 */
export function coverOf(finished: Rect, runsOn: number, { trim, bleed }: SheetEdges): Rect {
  const slack = grown(finished, runsOn);
  const left = finished.x <= trim.x ? Math.min(slack.x, bleed.x) : slack.x;
  const top = finished.y <= trim.y ? Math.min(slack.y, bleed.y) : slack.y;
  const end = right(finished) >= right(trim) ? Math.max(right(slack), right(bleed)) : right(slack);
  const foot = bottom(finished) >= bottom(trim) ? Math.max(bottom(slack), bottom(bleed)) : bottom(slack);
  return { x: um(left), y: um(top), width: um(end - left), height: um(foot - top) };
}

/**
 * How far the image is printed: what it covers, cut back to the paper and to the middle of the gap, so that no piece is
 * printed over another. In a computed layout the gap is everywhere the same, so pieces are cut back alike on all
 * sides; around cells that were put by hand each side is cut back to its own neighbour.
 */
export function imageOf(
  finished: Rect,
  cover: Rect,
  { paper }: SheetEdges,
  apart: { gap: number } | { neighbours: readonly Rect[] },
): Rect {
  if (cover.width === finished.width && cover.height === finished.height)
    return overlap(cover, paper) ?? finished;
  const least =
    "gap" in apart ? alike(finished, cover, apart.gap) : cutBack(finished, cover, apart.neighbours);
  return overlap(least, paper) ?? finished;
}

function alike(finished: Rect, cover: Rect, gap: number): Rect {
  const half = Math.floor(gap / 2);
  const slack = Math.min(
    finished.x - cover.x,
    finished.y - cover.y,
    right(cover) - right(finished),
    bottom(cover) - bottom(finished),
  );
  if (slack <= half) return cover;
  const back = slack - half;
  // Only the slack is cut back; bleed lies outside the finished sheet, where there is no neighbour.
  const x = finished.x - cover.x > slack ? cover.x : cover.x + back;
  const y = finished.y - cover.y > slack ? cover.y : cover.y + back;
  const end = right(cover) - right(finished) > slack ? right(cover) : right(cover) - back;
  const foot = bottom(cover) - bottom(finished) > slack ? bottom(cover) : bottom(cover) - back;
  return { x: um(x), y: um(y), width: um(end - x), height: um(foot - y) };
}

/** A rectangle around a piece, cut back at each side to the middle between the piece and what lies there. */
export function cutBack(finished: Rect, cover: Rect, neighbours: readonly Rect[]): Rect {
  let [x, y, end, foot]: number[] = [cover.x, cover.y, right(cover), bottom(cover)];
  for (const other of neighbours) {
    if (other === finished) continue;
    const beside = other.y < bottom(cover) && bottom(other) > cover.y;
    const over = other.x < right(cover) && right(other) > cover.x;
    if (beside && right(other) <= finished.x) x = Math.max(x!, Math.ceil((right(other) + finished.x) / 2));
    if (beside && other.x >= right(finished))
      end = Math.min(end!, Math.floor((other.x + right(finished)) / 2));
    if (over && bottom(other) <= finished.y) y = Math.max(y!, Math.ceil((bottom(other) + finished.y) / 2));
    if (over && other.y >= bottom(finished))
      foot = Math.min(foot!, Math.floor((other.y + bottom(finished)) / 2));
  }
  return { x: um(x!), y: um(y!), width: um(end! - x!), height: um(foot! - y!) };
}
