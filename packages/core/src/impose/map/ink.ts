import type { Rect } from "../../base/geometry/index.ts";
import { mm, nearest, um } from "../../base/length/index.ts";
import type { Ink } from "../../finish/graphics/index.ts";
import { setWords, type Type } from "../../finish/words/index.ts";

export const INK = "#20242c";
const PLATE = "#ffffff";

/** Words of a map in a box: on a line where nothing else is said. */
export function words(
  text: string,
  box: Rect,
  size: number,
  { align = "left", most = 1, turn = 0 }: { align?: Type["align"]; most?: number; turn?: number } = {},
): Ink[] {
  const type: Type = { font: "hanken", size: um(size), least: mm(1.4), colour: INK, align };
  const set = setWords(text, { box, type, most, stand: most > 1 ? "top" : "middle", turn });
  return set ? [{ kind: "text", text: set, clip: null }] : [];
}

/** A line from corner to corner of a rectangle without width or height. */
export const line = (x1: number, y1: number, x2: number, y2: number, width: number, colour = INK): Ink =>
  path(
    [
      ["M", x1, y1],
      ["L", x2, y2],
    ],
    boxOf(x1, y1, x2, y2),
    { stroke: { width: um(width), colour }, fill: null },
  );

/** A rectangle’s outline. */
export const outlined = (rect: Rect, width: number, colour = INK): Ink =>
  path(around(rect), rect, { stroke: { width: um(width), colour }, fill: null });

/** A light plate for letters over a picture. */
export const plate = (rect: Rect): Ink =>
  path(around(rect), rect, { fill: PLATE, stroke: null, opacity: 0.85 });

type PathOf = Extract<Ink, { kind: "path" }>;

const path = (
  commands: PathOf["commands"],
  box: Rect,
  look: Pick<PathOf, "fill" | "stroke"> & { opacity?: number },
): Ink => ({ kind: "path", commands, box, turn: 0, clip: null, cut: [], shadow: null, opacity: 1, ...look });

const around = ({ x, y, width, height }: Rect): PathOf["commands"] => [
  ["M", x, y],
  ["L", x + width, y],
  ["L", x + width, y + height],
  ["L", x, y + height],
  ["Z"],
];

const boxOf = (x1: number, y1: number, x2: number, y2: number): Rect => ({
  x: nearest(Math.min(x1, x2)),
  y: nearest(Math.min(y1, y2)),
  width: nearest(Math.abs(x2 - x1)),
  height: nearest(Math.abs(y2 - y1)),
});
