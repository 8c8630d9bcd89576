import {
  LIMITS,
  nearest,
  snap,
  um,
  type Moving,
  type Rect,
  type SnapLine,
  type SnapTo,
} from "@wide-quilt/core";
import type { PointerEvent } from "react";
import { shifted } from "./places.ts";

/** Pixels that a press may wander and still be a press. */
export const STILL = 3;

/** Which handle of something chosen is held: a side or corner, the turning handle, or the thing itself. */
export type Handle = "move" | "turn" | "nw" | "n" | "ne" | "e" | "se" | "s" | "sw" | "w";

/** Something that lies on the sheet and can be tilted. */
interface Lying {
  finished: Rect;
  angle: number;
}

/** It with the sides of a handle moved, in µm on the sheet, as far as they catch on something. */
export function resized(
  { finished, angle }: Lying,
  handle: Handle,
  by: { x: number; y: number },
  targets: SnapTo,
  keepsProportion: boolean,
): { rect: Rect; lines: SnapLine[] } {
  const moving: Exclude<Moving, "all"> = {
    x: handle.includes("w") ? "left" : handle.includes("e") ? "right" : null,
    y: handle.includes("n") ? "top" : handle.includes("s") ? "bottom" : null,
  };
  const own = turned(by, -angle);
  const pulled = pull(finished, moving, own.x, own.y);
  const caught = angle === 0 ? snap(pulled, targets, moving) : { dx: um(0), dy: um(0), lines: [] };
  const rect = pull(pulled, moving, caught.dx, caught.dy);
  const sized = keepsProportion ? inProportion(finished, rect, moving) : rect;
  return { rect: heldFast(finished, sized, angle), lines: keepsProportion ? [] : caught.lines };
}

/** The tilt that a pointer asks for, from where it began: whole degrees, and with Shift steps of fifteen. */
export function turnedTo(
  { x, y, width, height }: Rect,
  { from, start }: { from: { x: number; y: number }; start: { x: number; y: number } },
  event: PointerEvent,
): number {
  const box = event.currentTarget.getBoundingClientRect();
  const perPixel = start.x === 0 ? 1 : (from.x - box.left) / start.x;
  const middle = { x: box.left + (x + width / 2) * perPixel, y: box.top + (y + height / 2) * perPixel };
  const degrees = (Math.atan2(middle.x - event.clientX, event.clientY - middle.y) * 180) / Math.PI;
  const step = event.shiftKey ? 15 : 1;
  const angle = Math.round(degrees / step) * step;
  return angle > 180 ? angle - 360 : angle;
}

/** A movement turned by some degrees clockwise. */
function turned({ x, y }: { x: number; y: number }, degrees: number): { x: number; y: number } {
  const radians = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  return { x: x * cos - y * sin, y: x * sin + y * cos };
}

/**
 * A tilted cell turns about its own middle, which moves when it is resized; so that the side that is not held stays
 * where it is on the paper, the middle moves along the tilt.
 */
function heldFast(before: Rect, after: Rect, angle: number): Rect {
  if (angle === 0) return after;
  const moved = {
    x: after.x + after.width / 2 - before.x - before.width / 2,
    y: after.y + after.height / 2 - before.y - before.height / 2,
  };
  const tilted = turned(moved, angle);
  return shifted(after, nearest(tilted.x - moved.x), nearest(tilted.y - moved.y));
}

export function between(x1: number, y1: number, x2: number, y2: number): Rect {
  const [left, right] = [Math.min(x1, x2), Math.max(x1, x2)].map(Math.round) as [number, number];
  const [top, bottom] = [Math.min(y1, y2), Math.max(y1, y2)].map(Math.round) as [number, number];
  return { x: um(left), y: um(top), width: um(right - left), height: um(bottom - top) };
}

const atLeast = (length: number) => um(Math.max(LIMITS.piece.least, Math.round(length)));

export const notTooSmall = (rect: Rect): Rect => ({
  ...rect,
  width: atLeast(rect.width),
  height: atLeast(rect.height),
});

/** A rectangle with one or two of its edges moved; it never gets smaller than a piece may be. */
function pull(rect: Rect, moving: Exclude<Moving, "all">, dx: number, dy: number): Rect {
  const width = atLeast(rect.width + (moving.x === "left" ? -dx : moving.x === "right" ? dx : 0));
  const height = atLeast(rect.height + (moving.y === "top" ? -dy : moving.y === "bottom" ? dy : 0));
  return {
    x: um(moving.x === "left" ? rect.x + rect.width - width : rect.x),
    y: um(moving.y === "top" ? rect.y + rect.height - height : rect.y),
    width,
    height,
  };
}

/** The same pull with the proportion kept: the side that was pulled further decides. */
function inProportion(before: Rect, rect: Rect, moving: Exclude<Moving, "all">): Rect {
  const factor =
    moving.x === null
      ? rect.height / before.height
      : moving.y === null
        ? rect.width / before.width
        : Math.max(rect.width / before.width, rect.height / before.height);
  const width = atLeast(before.width * factor);
  const height = atLeast(before.height * factor);
  return {
    x: um(moving.x === "left" ? before.x + before.width - width : before.x),
    y: um(moving.y === "top" ? before.y + before.height - height : before.y),
    width,
    height,
  };
}
