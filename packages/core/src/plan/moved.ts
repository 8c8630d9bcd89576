import { turnedBy, type Quarter, type Rect } from "../base/geometry/index.ts";
import { um } from "../base/length/index.ts";
import type { Ink, Paint, PathCut, PathStep, Stroke } from "../finish/graphics/index.ts";
import type { Point } from "../solve/windows/index.ts";
import type { CellPlan, GroundPlan } from "./types.ts";

/** How the parts of a plan are put elsewhere. */
export interface Move {
  /** An upright rectangle where it comes to lie. */
  rect(rect: Rect): Rect;
  /** A box that is turned about its own middle, as it is before that turn. */
  box(box: Rect): Rect;
  /** A place inside such a box, given the box before and after. */
  inBox(at: { x: number; y: number }, before: Rect, after: Rect): { x: number; y: number };
  /** By how much all of it is turned. */
  turn: Quarter;
}

export function movedCell(cell: CellPlan, move: Move): CellPlan {
  const { picture } = cell;
  return {
    ...cell,
    finished: move.rect(cell.finished),
    opening: move.rect(cell.opening),
    cover: move.rect(cell.cover),
    image: move.rect(cell.image),
    bands: cell.bands.map((band) => ({
      ...band,
      outer: move.rect(band.outer),
      inner: move.rect(band.inner),
    })),
    within:
      cell.within?.map(([x, y]): Point => {
        const at = move.rect({ x: um(x), y: um(y), width: um(0), height: um(0) });
        return [at.x, at.y];
      }) ?? null,
    turn: turnedBy(cell.turn, move.turn),
    picture: picture && {
      ...picture,
      placed: move.rect(picture.placed),
      turn: turnedBy(picture.turn, move.turn),
    },
    over: cell.over.map((ink) => movedInk(ink, move)),
  };
}

export function movedInk(ink: Ink, move: Move): Ink {
  const clip = ink.clip && move.rect(ink.clip);
  if (ink.kind === "picture") return { ...ink, rect: move.box(ink.rect), turn: ink.turn + move.turn, clip };
  if (ink.kind === "path") {
    return {
      ...ink,
      ...movedPath(ink, move),
      clip,
      fill: ink.fill && movedPaint(ink.fill, ink.box, move),
      cut: ink.cut.map((one) => movedPath(one, move)),
    };
  }
  const { text } = ink;
  const box = move.box(text.box);
  return {
    ...ink,
    clip,
    text: {
      ...text,
      box,
      turn: text.turn + move.turn,
      lines: text.lines.map((line) => {
        const { x, y } = move.inBox(line, text.box, box);
        return { ...line, x: um(x), y: um(y) };
      }),
    },
  };
}

/** A path that is turned about the middle of its own box. */
function movedPath({ commands, box, turn }: PathCut, move: Move): PathCut {
  const after = move.box(box);
  return {
    commands: commands.map((step) => movedStep(step, move, box, after)),
    box: after,
    turn: turn + move.turn,
  };
}

function movedPaint(paint: Paint, box: Rect, move: Move): Paint {
  if (typeof paint === "string") return paint;
  // A picture is laid about the middle of its shape, so that it keeps to it as a box of its own.
  if (paint.kind === "picture") return { ...paint, rect: move.box(paint.rect) };
  const after = move.box(box);
  const point = ([x, y]: readonly [number, number]) => {
    const moved = move.inBox({ x, y }, box, after);
    return [moved.x, moved.y] as const;
  };
  return { ...paint, start: point(paint.start), end: point(paint.end) };
}

function movedStep(step: PathStep, { inBox }: Move, before: Rect, after: Rect): PathStep {
  const point = (x: number, y: number) => {
    const moved = inBox({ x, y }, before, after);
    return [moved.x, moved.y] as const;
  };
  switch (step[0]) {
    case "Z":
      return step;
    case "C":
      return ["C", ...point(step[1], step[2]), ...point(step[3], step[4]), ...point(step[5], step[6])];
    default:
      return [step[0], ...point(step[1], step[2])];
  }
}

export const movedGround = (ground: GroundPlan, move: Move): GroundPlan => ({
  ...ground,
  rect: move.rect(ground.rect),
  turn: turnedBy(ground.turn, move.turn),
});

/** A line, as the rectangle without width or without height that it is. */
export function movedStroke(stroke: Stroke, move: Move): Stroke {
  const { x1, y1, x2, y2 } = stroke;
  const [left, top] = [Math.min(x1, x2), Math.min(y1, y2)];
  const along = { x: um(left), y: um(top), width: um(Math.abs(x2 - x1)), height: um(Math.abs(y2 - y1)) };
  const { x, y, width, height } = move.rect(along);
  return { ...stroke, x1: x, y1: y, x2: um(x + width), y2: um(y + height) };
}
