import { um } from "../length/index.ts";
import type { Rect } from "./rect.ts";

/** Where something comes to lie that is made larger or smaller: (x, y) comes to (left + x · across, top + y · down), in µm, not rounded. */
export interface Fitting {
  left: number;
  top: number;
  across: number;
  down: number;
}

/** How something takes the size of a box: covering it, seen whole in it, or stretched to it. */
export const FITS = ["fill", "whole", "stretch"] as const;
export type Fit = (typeof FITS)[number];

/**
 * Puts something of a size, in any unit, into a box, about the middle of it.
 *
 *     fill ┌┄┬────┬┄┐   whole ┌──────┐   stretch ┌────┐
 *          ┊ │    │ ┊         ├──────┤           │    │
 *          ┊ │    │ ┊         ├──────┤           │    │
 *          └┄┴────┴┄┘         └──────┘           └────┘
 *
 * `most` is how far stretching may change its proportion, in percent; what the box differs by beyond that is covered.
 */
export function fitInto(
  { width, height }: { width: number; height: number },
  box: Rect,
  fit: Fit,
  most = Infinity,
): Fitting {
  const [x, y] = [box.width / width, box.height / height];
  const limit = 1 + most / 100;
  const even = fit === "fill" ? Math.max(x, y) : Math.min(x, y);
  const [across, down] = fit === "stretch" ? [Math.max(x, y / limit), Math.max(y, x / limit)] : [even, even];
  return {
    left: box.x + (box.width - width * across) / 2,
    top: box.y + (box.height - height * down) / 2,
    across,
    down,
  };
}

/** The fitting that does one after the other. */
export const fittedBy = (first: Fitting, second: Fitting): Fitting => ({
  left: second.left + first.left * second.across,
  top: second.top + first.top * second.down,
  across: first.across * second.across,
  down: first.down * second.down,
});

/** The fitting that takes another back. */
export const fittedBack = ({ left, top, across, down }: Fitting): Fitting => ({
  left: -left / across,
  top: -top / down,
  across: 1 / across,
  down: 1 / down,
});

/** Rounds halves up, those too that come out a hair less by the arithmetic of floating point. */
const rounded = (value: number): number => Math.round(value + 1e-7);

/** A rectangle by its edges, each rounded once. */
export function fittedRect(
  { x, y, width, height }: { x: number; y: number; width: number; height: number },
  { left, top, across, down }: Fitting,
): Rect {
  const [from, to] = [rounded(left + x * across), rounded(left + (x + width) * across)];
  const [head, foot] = [rounded(top + y * down), rounded(top + (y + height) * down)];
  return { x: um(from), y: um(head), width: um(to - from), height: um(foot - head) };
}

/**
 * Something tilted about its middle, and its tilt there. What is stretched changes tilts and the lengths along them: its own
 * axes are stretched, and its middle stays its middle.
 */
export function fittedTilted(
  rect: { x: number; y: number; width: number; height: number },
  angle: number,
  fitting: Fitting,
): { rect: Rect; angle: number } {
  if (angle === 0) return { rect: fittedRect(rect, fitting), angle: 0 };
  const radians = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const { left, top, across, down } = fitting;
  const width = rect.width * Math.hypot(cos * across, sin * down);
  const height = rect.height * Math.hypot(sin * across, cos * down);
  const x = left + (rect.x + rect.width / 2) * across;
  const y = top + (rect.y + rect.height / 2) * down;
  const whole = (value: number) => um(rounded(value));
  return {
    rect: {
      x: whole(x - width / 2),
      y: whole(y - height / 2),
      width: whole(width),
      height: whole(height),
    },
    angle: across === down ? angle : (Math.atan2(sin * down, cos * across) * 180) / Math.PI,
  };
}
