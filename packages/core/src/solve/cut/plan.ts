import { overlap, type Rect, type Size } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import { fewestPasses, type Choice } from "./choose.ts";
import { Kinds } from "./graph.ts";
import { cutInTwo, cutsOf, isFinished, named, type Cut, type Hand, type Quarters } from "./hand.ts";
import { fewestStops, type Order } from "./order.ts";

/** Which edge of the piece in hand, as it lies on the sheet, is pushed against the stop. */
export type AtStop = "left" | "right" | "top" | "bottom";

/** One pass of the knife. */
export interface CutStep {
  number: number;
  /** The pieces in hand where they lie on the sheet; several are stacked, all lying like the first. */
  hand: readonly Rect[];
  /** The edge of the first piece that lies at the stop, and how far from it the knife falls. */
  atStop: AtStop;
  stop: Um;
  /** The cut on each piece, on the sheet. */
  lines: readonly { x1: Um; y1: Um; x2: Um; y2: Um }[];
  /** Finished pieces that this pass frees. */
  frees: number;
}

export type CutPlan =
  | {
      ok: true;
      steps: CutStep[];
      /** How often the stop is set: once for the first pass and at each change after it. */
      stops: number;
    }
  | { ok: false; inTheWay: number[] };

/** A piece of the sheet on its way to be cut. */
interface Part {
  rect: Rect;
  hand: Hand;
}

/**
 * The cuts that free all finished rectangles of a sheet with a straight-edge trimmer. What is optimised, in this order:
 * the passes of the knife, equal pieces being stacked, and how often the stop has to be set. A cut frees the
 * finished edges exactly; where there is a gap, two cuts make it.
 *
 * A stack has no more than `most` pieces: what is more goes under the knife in a further pass, the stop as it is. Of the plans
 * that are best without that limit the one of fewest passes with it is taken.
 *
 * When no straight cut goes through some part, `inTheWay` has the indexes of the rectangles of that part.
 */
export function cutPlan(paper: Size, finished: readonly Rect[], most = Infinity): CutPlan {
  const whole: Hand = { width: paper.width, height: paper.height, cells: finished };
  const twice = overlapping(finished);
  if (twice.length > 0) return { ok: false, inTheWay: twice };
  const kinds = Kinds.for(whole);
  const first = kinds.numberOf(whole);
  if (first === null) return { ok: true, steps: [], stops: 0 };
  const choices = fewestPasses(kinds, first);
  if (!choices) {
    const blocked = inTheWay(whole) ?? [];
    const places = new Set(blocked.map(({ x, y }) => `${x},${y}`));
    return { ok: false, inTheWay: finished.flatMap(({ x, y }, i) => (places.has(`${x},${y}`) ? [i] : [])) };
  }
  const sheet: Part = { rect: { x: um(0), y: um(0), ...paper }, hand: whole };
  const plans = choices.map((choice) => {
    const order = fewestStops(choice);
    return { steps: carriedOut(sheet, kinds, choice, order, most), stops: order.stops };
  });
  return { ok: true, ...plans.reduce((best, plan) => (rank(plan) < rank(best) ? plan : best)) };
}

/** Fewest passes, then fewest settings of the stop. */
const rank = ({ steps, stops }: { steps: CutStep[]; stops: number }): number => steps.length * 1e6 + stops;

/** Carries the passes out on the sheet. */
function carriedOut(sheet: Part, kinds: Kinds, choice: Choice, { passes }: Order, most: number): CutStep[] {
  const bench = new Map<number, Part[]>();
  const add = (part: Part) => {
    const kind = kinds.numberOf(part.hand);
    if (kind !== null) bench.set(kind, [...(bench.get(kind) ?? []), part]);
  };
  add(sheet);
  const steps: CutStep[] = [];
  for (const { kind, stop } of passes) {
    const stack = bench.get(kind)!;
    for (let at = 0; at < stack.length; at += most) {
      const { step, pieces } = pass(
        stack.slice(at, at + most),
        choice.get(kind)!.cut,
        stop,
        steps.length + 1,
      );
      pieces.forEach(add);
      steps.push(step);
    }
  }
  return steps;
}

/** Makes one pass: where its cuts lie on the sheet, and the pieces that come of it. */
function pass(
  parts: readonly Part[],
  cut: Cut,
  stop: number,
  number: number,
): { step: CutStep; pieces: Part[] } {
  const pieces: Part[] = [];
  const lines: CutStep["lines"][number][] = [];
  let atStop: AtStop = "left";
  parts.forEach(({ rect, hand }, index) => {
    const { turned } = named(hand);
    const own = asItLies(cut, hand, turned);
    const two = cutInTwo(hand, own);
    const x = own.along === "x";
    const at = um((x ? rect.x : rect.y) + own.at);
    lines.push(
      x
        ? { x1: at, y1: rect.y, x2: at, y2: um(rect.y + rect.height) }
        : { x1: rect.x, y1: at, x2: um(rect.x + rect.width), y2: at },
    );
    if (index === 0) {
      const fromStart = own.at === stop;
      atStop = x ? (fromStart ? "left" : "right") : fromStart ? "top" : "bottom";
    }
    const { width, height } = two[0];
    pieces.push(
      { hand: two[0], rect: { x: rect.x, y: rect.y, width, height } },
      {
        hand: two[1],
        rect: {
          x: x ? at : rect.x,
          y: x ? rect.y : at,
          width: two[1].width,
          height: two[1].height,
        },
      },
    );
  });
  const frees = pieces.filter(({ hand }) => isFinished(hand)).length;
  return {
    step: { number, hand: parts.map(({ rect }) => rect), atStop, stop: um(stop), lines, frees },
    pieces,
  };
}

/** A cut that was chosen for a piece as its name has it, on the piece as it lies on the sheet. */
function asItLies(cut: Cut, { width, height }: Hand, turned: Quarters): Cut {
  const { along, at } = cut;
  switch (turned) {
    case 0:
      return cut;
    case 1:
      // x on the turned piece counts up from the bottom of the piece as it lies
      return along === "x" ? { along: "y", at: height - at } : { along: "x", at };
    case 2:
      return { along, at: (along === "x" ? width : height) - at };
    case 3:
      return along === "x" ? { along: "y", at } : { along: "x", at: width - at };
  }
}

/** The pieces of the first part that no straight cut goes through, where they lie on the sheet; null when all can be cut. */
function inTheWay(hand: Hand): Rect[] | null {
  const walk = (piece: Hand, x: number, y: number): Rect[] | null => {
    if (piece.cells.length === 0 || isFinished(piece)) return null;
    const [cut] = cutsOf(piece);
    if (!cut) return piece.cells.map((c) => ({ ...c, x: um(c.x + x), y: um(c.y + y) }));
    const [one, other] = cutInTwo(piece, cut);
    return walk(one, x, y) ?? (cut.along === "x" ? walk(other, x + cut.at, y) : walk(other, x, y + cut.at));
  };
  return walk(hand, 0, 0);
}

/** Indexes of rectangles that lie over one another: no knife frees both. */
const overlapping = (all: readonly Rect[]): number[] =>
  all.flatMap((one, i) => (all.some((other, k) => k !== i && overlap(one, other)) ? [i] : []));
