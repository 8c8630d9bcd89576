import type { Rect } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import { divide } from "../../solve/collage/index.ts";
import type { Ink, PathInk, PathStep } from "../graphics/index.ts";
import { fontFor, setWords, type Setting } from "../words/index.ts";

/** What blocks are drawn without. */
const PLAIN = { shadow: null, opacity: 1, cut: [], turn: 0, clip: null } as const;

/** The edges of a length that is divided by shares, each rounded once: one more than there are parts. */
export const edgesOf = (from: number, length: number, shares: readonly number[]): Um[] =>
  [0, ...(divide(length, shares, 0) ?? []).map(({ to }) => to)].map((edge) => um(from + edge));

export const rectangle = ({ x, y, width, height }: Rect, fill: string, opacity = 1): PathInk => ({
  kind: "path",
  commands: [["M", x, y], ["L", x + width, y], ["L", x + width, y + height], ["L", x, y + height], ["Z"]],
  fill,
  stroke: null,
  ...PLAIN,
  opacity,
  box: { x, y, width, height },
});

/** Straight lines of one width and colour, as one path. */
export const lines = (
  box: Rect,
  segments: readonly (readonly [x1: number, y1: number, x2: number, y2: number])[],
  stroke: { width: Um; colour: string },
): PathInk => ({
  kind: "path",
  commands: segments.flatMap(([x1, y1, x2, y2]): PathStep[] => [
    ["M", x1, y1],
    ["L", x2, y2],
  ]),
  fill: null,
  stroke,
  ...PLAIN,
  box,
});

/** The lines around and between rows and columns. */
export const mesh = (
  box: Rect,
  across: readonly Um[],
  down: readonly Um[],
  stroke: { width: Um; colour: string },
): PathInk =>
  lines(
    box,
    [
      ...across.map((x) => [x, box.y, x, box.y + box.height] as const),
      ...down.map((y) => [box.x, y, box.x + box.width, y] as const),
    ],
    stroke,
  );

/** How far the handles of a cubic curve lie that comes nearest to a quarter of a circle: 4/3 · (√2 − 1). */
const QUARTER = (4 / 3) * (Math.SQRT2 - 1);

/** A circle about a point, filled or drawn with a line. */
export function circle(
  x: number,
  y: number,
  radius: number,
  fill: string | null,
  stroke: { width: Um; colour: string } | null = null,
): PathInk {
  const h = radius * QUARTER;
  return {
    kind: "path",
    commands: [
      ["M", x - radius, y],
      ["C", x - radius, y - h, x - h, y - radius, x, y - radius],
      ["C", x + h, y - radius, x + radius, y - h, x + radius, y],
      ["C", x + radius, y + h, x + h, y + radius, x, y + radius],
      ["C", x - h, y + radius, x - radius, y + h, x - radius, y],
      ["Z"],
    ],
    fill,
    stroke,
    ...PLAIN,
    box: {
      x: um(Math.floor(x - radius)),
      y: um(Math.floor(y - radius)),
      width: um(Math.ceil(2 * radius)),
      height: um(Math.ceil(2 * radius)),
    },
  };
}

/** Words set in a box, in the font that has their signs; nothing where there is nothing to set. */
export function letters(text: string, setting: Setting): Ink[] {
  const { type } = setting;
  const set = setWords(text, { ...setting, type: { ...type, font: fontFor(text, type.font) } });
  return set ? [{ kind: "text", text: set, clip: null }] : [];
}
