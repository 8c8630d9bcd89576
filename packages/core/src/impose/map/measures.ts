import type { Rect } from "../../base/geometry/index.ts";
import { mm, um, writeMeasure, type WriteOptions } from "../../base/length/index.ts";
import type { Ink } from "../../finish/graphics/index.ts";
import { line, words } from "./ink.ts";

/** A stretch along a side of the picture on the map, and how long it is on the wall. */
export interface Measured {
  from: number;
  to: number;
  long: number;
}

const SIZE = mm(2.4);
/** A stretch that is shorter on the map has no room for its figure. */
const LEAST = mm(6);
const TICK = mm(0.8);
const THIN = um(120);

/**
 * Measures of the wall along one side of the picture, each between two ticks:
 *
 *     ├──── 500 mm ────┼──── 500 mm ────┤
 */
export function measures(
  side: "above" | "left",
  at: number,
  all: readonly Measured[],
  write: WriteOptions,
): Ink[] {
  return all.flatMap(({ from, to, long }): Ink[] => {
    const upright = side === "left";
    const put = (u1: number, v1: number, u2: number, v2: number) =>
      upright ? line(v1, u1, v2, u2, THIN) : line(u1, v1, u2, v2, THIN);
    const ends = [from, to].map((u) => put(u, at - TICK, u, at + TICK));
    const room = to - from;
    if (room < LEAST) return ends;
    const text = writeMeasure(um(long), write);
    const wide = um(Math.round(room));
    const high = um(SIZE * 1.4);
    const middle = (from + to) / 2;
    const box: Rect = {
      x: um(Math.round((upright ? at - TICK - high / 2 : middle) - wide / 2)),
      y: um(Math.round(upright ? middle - high / 2 : at - TICK - high)),
      width: wide,
      height: high,
    };
    return [
      put(from, at, to, at),
      ...ends,
      ...words(text, box, SIZE, { align: "middle", turn: upright ? 270 : 0 }),
    ];
  });
}
