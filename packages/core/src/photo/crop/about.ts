import type { Rect } from "../../base/geometry/index.ts";

/** A point turned by some degrees clockwise about the middle of a rectangle. */
export function turnedAbout(
  { x, y, width, height }: Rect,
  degrees: number,
  point: { x: number; y: number },
): { x: number; y: number } {
  const radians = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const [right, down] = [point.x - x - width / 2, point.y - y - height / 2];
  return { x: x + width / 2 + right * cos - down * sin, y: y + height / 2 + right * sin + down * cos };
}
