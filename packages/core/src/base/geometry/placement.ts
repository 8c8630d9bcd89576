import { um, type Um } from "../length/index.ts";
import { onItsSide, type Rect, type Size } from "./rect.ts";

/** A quarter turn, degrees clockwise. */
export type Quarter = 0 | 90 | 180 | 270;

/** Turns a photo, a piece or a page further. */
export const turnedBy = (a: Quarter, b: Quarter): Quarter => ((a + b) % 360) as Quarter;

/**
 * Where something of a size is put: turned by quarters, its upper left corner, as it lies then, at (x, y). Whole
 * micrometres stay whole.
 *
 *      0 ┌───┐    90 ┌────────┐    180 ┌───┐    270 ┌────────┐
 *        │ ▲ │       │   ▶    │        │ ▼ │        │   ◀    │
 *        └───┘       └────────┘        └───┘        └────────┘
 */
export interface Placement {
  of: Size;
  turn: Quarter;
  x: Um;
  y: Um;
}

/** A rectangle of the thing where it comes to lie. */
export function placedRect({ of, turn, x, y }: Placement, rect: Rect): Rect {
  switch (turn) {
    case 0:
      return { ...rect, x: um(x + rect.x), y: um(y + rect.y) };
    case 90:
      return { x: um(x + of.height - rect.y - rect.height), y: um(y + rect.x), ...onItsSide(rect) };
    case 180:
      return {
        ...rect,
        x: um(x + of.width - rect.x - rect.width),
        y: um(y + of.height - rect.y - rect.height),
      };
    case 270:
      return { x: um(x + rect.y), y: um(y + of.width - rect.x - rect.width), ...onItsSide(rect) };
  }
}

/** The whole thing where it lies. */
export const placedWhole = (placement: Placement): Rect =>
  placedRect(placement, { x: um(0), y: um(0), ...placement.of });
