import { bottom, right, type Rect } from "../../base/geometry/index.ts";
import { nearest, um, type Um } from "../../base/length/index.ts";

/** What a cell that is moved or resized can catch on. */
export interface SnapTo {
  /** The other cells of the sheet. */
  cells: readonly Rect[];
  /** Areas whose edges and middles count: the paper, the finished sheet, inside the margins. */
  areas: readonly Rect[];
  guides: { x: readonly Um[]; y: readonly Um[] };
  /** The mesh of the grid; null for none. */
  grid: Um | null;
  /** The gap that cells are commonly set at. */
  gap: Um;
  /** How near something has to be to be caught. */
  within: Um;
}

/** Which edges move: all of them when a cell is moved, one or two when it is resized. */
export type Moving = "all" | { x: "left" | "right" | null; y: "top" | "bottom" | null };

/** A line that was caught, and the stretch of it that shows why. */
export interface SnapLine {
  along: "x" | "y";
  /** Where it stands: an x for a line along y, a y for one along x. */
  at: Um;
  from: Um;
  to: Um;
  /** The gap that it makes to a neighbour, where that is why. */
  gap?: { from: Um; to: Um };
}

export interface Snapped {
  /** How far the moving edges go further than the pointer has them. */
  dx: Um;
  dy: Um;
  lines: SnapLine[];
}

/** A place that an edge can catch: where, how it is drawn, how much it counts against another as near. */
interface Candidate {
  at: number;
  span: readonly [number, number];
  rank: number;
  gap?: { from: Um; to: Um };
}

/**
 * Catches the edges and the middle of a rectangle on what is near, each direction by itself.
 *
 *        │ other │      │ moved │      edges and middles of others, of the sheet and its margins; guides; the grid;
 *     ───┼───────┼──────┼───────┼──    the common gap to a neighbour, and the gap that two neighbours have already
 *        │       │ gap  │
 */
export function snap(moved: Rect, to: SnapTo, moving: Moving = "all"): Snapped {
  const x = along("x", moved, to, moving === "all" ? "all" : moving.x);
  const y = along("y", moved, to, moving === "all" ? "all" : moving.y);
  return { dx: x.by, dy: y.by, lines: [...x.lines, ...y.lines] };
}

/** A rectangle seen in one direction: where it begins and ends in it, and where it lies in the other. */
interface Span {
  start: number;
  end: number;
  side: readonly [number, number];
}

const spanOf = (axis: "x" | "y", r: Rect): Span =>
  axis === "x"
    ? { start: r.x, end: right(r), side: [r.y, bottom(r)] }
    : { start: r.y, end: bottom(r), side: [r.x, right(r)] };

function along(
  axis: "x" | "y",
  moved: Rect,
  to: SnapTo,
  moving: "all" | "left" | "right" | "top" | "bottom" | null,
): { by: Um; lines: SnapLine[] } {
  if (moving === null) return { by: um(0), lines: [] };
  const own = spanOf(axis, moved);
  const middle = (own.start + own.end) / 2;
  const edges =
    moving === "all"
      ? [own.start, own.end, middle]
      : [moving === "left" || moving === "top" ? own.start : own.end];
  let best: { by: number; score: number; candidate: Candidate } | null = null;
  for (const candidate of candidates(axis, own, to)) {
    for (const edge of edges) {
      // A gap is kept by the edge that faces the neighbour, never by the middle.
      if (candidate.gap && !facing(candidate.gap, edge, own)) continue;
      const by = candidate.at - edge;
      if (Math.abs(by) > to.within) continue;
      const score = Math.abs(by) + candidate.rank;
      if (!best || score < best.score) best = { by, score, candidate };
    }
  }
  if (!best) return { by: um(0), lines: [] };
  const { candidate } = best;
  const [a, b] = candidate.span;
  const line: SnapLine = {
    along: axis === "x" ? "y" : "x",
    at: nearest(candidate.at),
    from: nearest(Math.min(a, own.side[0])),
    to: nearest(Math.max(b, own.side[1])),
    ...(candidate.gap && { gap: candidate.gap }),
  };
  return { by: nearest(best.by), lines: [line] };
}

const facing = (gap: { from: Um; to: Um }, edge: number, own: Span): boolean =>
  gap.from < gap.to && (edge === own.start || edge === own.end);

function candidates(axis: "x" | "y", own: Span, to: SnapTo): Candidate[] {
  const found: Candidate[] = [];
  const others = to.cells.map((cell) => spanOf(axis, cell));
  for (const { start, end, side } of others) {
    for (const at of [start, end]) found.push({ at, span: side, rank: 0 });
    found.push({ at: (start + end) / 2, span: side, rank: 1 });
  }
  for (const area of to.areas) {
    const { start, end, side } = spanOf(axis, area);
    for (const at of [start, end]) found.push({ at, span: side, rank: 0 });
    found.push({ at: (start + end) / 2, span: side, rank: 1 });
  }
  const beside = others.filter(({ side }) => side[0] < own.side[1] && side[1] > own.side[0]);
  const gaps = new Set([to.gap as number, ...gapsBetween(beside)]);
  for (const { start, end, side } of beside) {
    for (const gap of gaps) {
      if (gap <= 0) continue;
      found.push({ at: end + gap, span: side, rank: 2, gap: { from: um(end), to: nearest(end + gap) } });
      found.push({
        at: start - gap,
        span: side,
        rank: 2,
        gap: { from: nearest(start - gap), to: um(start) },
      });
    }
  }
  for (const at of to.guides[axis]) found.push({ at, span: own.side, rank: 0 });
  if (to.grid) {
    for (const edge of [own.start, own.end]) {
      found.push({ at: Math.round(edge / to.grid) * to.grid, span: own.side, rank: to.within / 2 });
    }
  }
  return found;
}

/** The gaps that neighbours in a row have already, so that another can be set at the same. */
function gapsBetween(row: readonly Span[]): number[] {
  const sorted = [...row].sort((a, b) => a.start - b.start);
  return sorted.slice(1).map(({ start }, i) => start - sorted[i]!.end);
}
