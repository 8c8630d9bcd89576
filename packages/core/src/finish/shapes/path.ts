import type { Rect } from "../../base/geometry/index.ts";
import type { PathStep } from "../graphics/ink.ts";
import type { Shape } from "./schema.ts";

/** How far the handles of a cubic curve reach that is a quarter of a circle, of its radius: 4/3 · (√2 − 1). */
const KAPPA = 0.552_284_75;

/** The outline of a shape before it is turned, in whole µm. */
export function shapePath(shape: Pick<Shape, "form" | "corner" | "points" | "depth"> & Rect): PathStep[] {
  const { x, y, width, height } = shape;
  switch (shape.form) {
    case "rectangle":
      return rounded(shape, 0, 0);
    case "rounded": {
      const radius = Math.min(shape.corner, width / 2, height / 2);
      return rounded(shape, radius, radius);
    }
    case "ellipse":
      return rounded(shape, width / 2, height / 2);
    case "line":
      return whole([
        ["M", x, y + height / 2],
        ["L", x + width, y + height / 2],
      ]);
    case "polygon":
      return closed(around(shape, shape.points, () => 1));
    case "star":
      return closed(around(shape, 2 * shape.points, (i) => (i % 2 === 0 ? 1 : 1 - shape.depth)));
    case "ribbon":
      return closed(ribbon(shape, shape.depth));
  }
}

/**
 * A rectangle with quarters of ellipses for corners.
 *
 *       rx
 *      ╭──────╮
 *   ry │      │
 *      ╰──────╯
 */
function rounded({ x, y, width, height }: Rect, rx: number, ry: number): PathStep[] {
  const [right, foot] = [x + width, y + height];
  if (rx === 0) {
    return closed([
      [x, y],
      [right, y],
      [right, foot],
      [x, foot],
    ]);
  }
  const [kx, ky] = [rx * (1 - KAPPA), ry * (1 - KAPPA)];
  return whole([
    ["M", x + rx, y],
    ["L", right - rx, y],
    ["C", right - kx, y, right, y + ky, right, y + ry],
    ["L", right, foot - ry],
    ["C", right, foot - ky, right - kx, foot, right - rx, foot],
    ["L", x + rx, foot],
    ["C", x + kx, foot, x, foot - ky, x, foot - ry],
    ["L", x, y + ry],
    ["C", x, y + ky, x + kx, y, x + rx, y],
    ["Z"],
  ]);
}

type Corner = readonly [x: number, y: number];

/** Points around the middle of a box, the first at its top, each at a part of the way to the ellipse that fills it. */
const around = ({ x, y, width, height }: Rect, count: number, part: (i: number) => number): Corner[] =>
  Array.from({ length: count }, (_, i) => {
    const angle = (i / count) * 2 * Math.PI;
    return [
      x + (width / 2) * (1 + part(i) * Math.sin(angle)),
      y + (height / 2) * (1 - part(i) * Math.cos(angle)),
    ];
  });

/**
 * A band with a notch in each end.
 *
 *      ╲▔▔▔▔▔▔▔╱
 *      ╱▁▁▁▁▁▁▁╲
 */
function ribbon({ x, y, width, height }: Rect, depth: number): Corner[] {
  const notch = Math.min(depth * height, width / 2);
  const middle = y + height / 2;
  return [
    [x, y],
    [x + width, y],
    [x + width - notch, middle],
    [x + width, y + height],
    [x, y + height],
    [x + notch, middle],
  ];
}

const closed = (corners: readonly Corner[]): PathStep[] =>
  whole([...corners.map(([x, y], i): PathStep => [i === 0 ? "M" : "L", x, y]), ["Z"]]);

const whole = (steps: readonly PathStep[]): PathStep[] =>
  steps.map(
    (step) => step.map((part) => (typeof part === "number" ? Math.round(part) : part)) as unknown as PathStep,
  );

/** Straight pieces that a curve is taken as, where its outline is asked for as points. */
const PIECES = 16;

/** The outline of a path as points, curves by straight pieces. */
export function pointsOf(steps: readonly PathStep[]): Corner[] {
  const points: Corner[] = [];
  for (const step of steps) {
    if (step[0] === "Z") continue;
    if (step[0] !== "C") {
      points.push([step[1], step[2]]);
      continue;
    }
    const [x0, y0] = points.at(-1) ?? [step[1], step[2]];
    const [, x1, y1, x2, y2, x3, y3] = step;
    for (let i = 1; i <= PIECES; i++) {
      const t = i / PIECES;
      const u = 1 - t;
      const [a, b, c, d] = [u ** 3, 3 * u * u * t, 3 * u * t * t, t ** 3];
      points.push([a * x0 + b * x1 + c * x2 + d * x3, a * y0 + b * y1 + c * y2 + d * y3]);
    }
  }
  return points;
}
