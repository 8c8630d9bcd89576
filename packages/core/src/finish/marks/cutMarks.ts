import { bottom, right, type Rect, type Size } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import type { Stroke } from "../graphics/index.ts";
import type { Marks } from "./schema.ts";

/** Clear paper between the end of a mark and a photo, so that no ink of a mark touches an image. */
const CLEARANCE = um(250);
/** A mark shorter than this helps nobody; what is left of it is dropped. */
const SHORTEST = um(500);
/** Corner ticks begin this far outside the corner, so that a slightly crooked cut takes them off. */
const TICK_OFFSET = um(500);

/** A stretch along one line: from, to. */
type Span = [number, number];

/** What is cut along its finished edges; the finished sheet as a whole has no image of its own. */
export interface Marked {
  finished: Rect;
  image: Rect | null;
}

/** A line through finished edges, along x (then `at` is a y) or along y (then `at` is an x). */
interface CutLine {
  along: "x" | "y";
  at: Um;
  wanted: Span[];
}

/**
 * The marks to cut a sheet by. They follow the finished edges and never lie on a photo.
 *
 *      corner ticks        crosses           full lines
 *        │       │          │       │            │       │
 *                        ───┼       ┼───    ─────          ─────
 *     ─  ┌───────┐  ─       ┌───────┐            ┌───────┐
 *        │       │          │       │            │       │
 *     ─  └───────┘  ─    ───┼       ┼───    ─────          ─────
 *        │       │          │       │            │       │
 *
 * Every kind is first drawn as if there were no photos; then the image rectangles, a clearance around them, are
 * taken away. So a tick in a gap is as long as the gap lets it be.
 */
export function cutMarks(paper: Size, cells: readonly Marked[], marks: Marks): Stroke[] {
  if (marks.kind === "none" || cells.length === 0) return [];
  const strokes: Stroke[] = [];
  for (const line of cutLines(paper, cells, marks)) {
    const [length, breadth] = line.along === "x" ? [paper.width, paper.height] : [paper.height, paper.width];
    if (line.at < 0 || line.at > breadth) continue;
    const free = without(merged(line.wanted, length), blockedSpans(line, cells, marks.width));
    for (const [from, to] of free) {
      if (to - from >= SHORTEST) strokes.push(stroke(line, from, to, marks));
    }
  }
  return strokes;
}

/** Every distinct line through finished edges, with the stretches that the kind of mark asks for. */
function cutLines(paper: Size, cells: readonly { finished: Rect }[], { kind, length }: Marks): CutLine[] {
  const lines = new Map<string, CutLine>();
  const want = (along: "x" | "y", at: Um, from: number, to: number) => {
    const key = along + at;
    let line = lines.get(key);
    if (!line) lines.set(key, (line = { along, at, wanted: [] }));
    line.wanted.push([from, to]);
  };
  const wantAt = (along: "x" | "y", at: Um, start: Um, end: Um) => {
    switch (kind) {
      case "corner ticks":
        want(along, at, start - TICK_OFFSET - length, start - TICK_OFFSET);
        want(along, at, end + TICK_OFFSET, end + TICK_OFFSET + length);
        break;
      case "crosses":
        want(along, at, start - length, start + length);
        want(along, at, end - length, end + length);
        break;
      case "full lines":
        want(along, at, 0, along === "x" ? paper.width : paper.height);
        break;
      case "none":
        break;
    }
  };
  for (const { finished } of cells) {
    const [r, b] = [right(finished), bottom(finished)];
    for (const y of [finished.y, b]) wantAt("x", y, finished.x, r);
    for (const x of [finished.x, r]) wantAt("y", x, finished.y, b);
  }
  return [...lines.values()];
}

/** Where a line of some width would touch an image or come closer to it than the clearance. */
function blockedSpans(line: CutLine, cells: readonly Marked[], width: Um): Span[] {
  const half = width / 2;
  const blocked: Span[] = [];
  for (const { image } of cells) {
    if (!image) continue;
    const across = line.along === "x" ? image.y : image.x;
    const acrossEnd = line.along === "x" ? bottom(image) : right(image);
    if (across >= line.at + half || acrossEnd <= line.at - half) continue;
    const from = line.along === "x" ? image.x : image.y;
    const to = line.along === "x" ? right(image) : bottom(image);
    blocked.push([from - CLEARANCE, to + CLEARANCE]);
  }
  return merged(blocked, Infinity);
}

/** Overlapping and touching spans made one, in order, cut to 0…length. */
function merged(spans: Span[], length: number): Span[] {
  const sorted = [...spans].sort((a, b) => a[0] - b[0]);
  const result: Span[] = [];
  for (const [from, to] of sorted) {
    const last = result.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else result.push([from, to]);
  }
  if (length === Infinity) return result;
  return result
    .map(([from, to]): Span => [Math.max(from, 0), Math.min(to, length)])
    .filter(([from, to]) => to > from);
}

/** What is left of the wanted spans once the blocked ones are taken away. Both are in order and disjoint. */
function without(wanted: Span[], blocked: Span[]): Span[] {
  const free: Span[] = [];
  for (const [start, end] of wanted) {
    let from = start;
    for (const [blockStart, blockEnd] of blocked) {
      if (blockEnd <= from || blockStart >= end) continue;
      if (blockStart > from) free.push([from, blockStart]);
      from = blockEnd;
    }
    if (from < end) free.push([from, end]);
  }
  return free;
}

function stroke({ along, at }: CutLine, from: number, to: number, { width, colour }: Marks): Stroke {
  return along === "x"
    ? { x1: um(from), y1: at, x2: um(to), y2: at, width, colour }
    : { x1: at, y1: um(from), x2: at, y2: um(to), width, colour };
}
