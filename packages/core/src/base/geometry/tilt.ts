import { um } from "../length/index.ts";
import type { Rect } from "./rect.ts";

/** A rectangle tilted about its middle. */
export interface Tilted {
  finished: Rect;
  /** Degrees clockwise. */
  angle: number;
}

/** The smallest upright rectangle around a tilted one, edges rounded outwards. */
export function around({ finished, angle }: Tilted): Rect {
  if (angle === 0) return finished;
  const radians = (angle * Math.PI) / 180;
  const cos = Math.abs(Math.cos(radians));
  const sin = Math.abs(Math.sin(radians));
  const width = finished.width * cos + finished.height * sin;
  const height = finished.width * sin + finished.height * cos;
  const x = Math.floor(finished.x + (finished.width - width) / 2);
  const y = Math.floor(finished.y + (finished.height - height) / 2);
  return { x: um(x), y: um(y), width: um(Math.ceil(width) + 1), height: um(Math.ceil(height) + 1) };
}

/** Whether two cells lie over one another, as far as upright rectangles around them tell. */
export function lieOver(a: Tilted, b: Tilted): boolean {
  const [one, other] = [around(a), around(b)];
  return (
    one.x < other.x + other.width &&
    other.x < one.x + one.width &&
    one.y < other.y + other.height &&
    other.y < one.y + one.height
  );
}
