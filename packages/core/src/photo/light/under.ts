import type { Rect } from "../../base/geometry/index.ts";
import type { Picture } from "../crop/index.ts";
import type { Part } from "./light.ts";

interface Point {
  x: number;
  y: number;
}

/**
 * The part of a photo that lies under a rectangle of its sheet: the smallest upright one that holds it where either is
 * turned. `cell` says how the cell is tilted and about what its photo is levelled.
 */
export function partUnder(
  rect: Rect,
  { placed, turn, level }: Picture,
  cell: { finished: Rect; angle: number; cover: Rect },
): Part {
  const untilted = turner(cell.finished, -cell.angle);
  const unlevelled = turner(cell.cover, -level);
  const corners = [
    { x: rect.x, y: rect.y },
    { x: rect.x + rect.width, y: rect.y },
    { x: rect.x, y: rect.y + rect.height },
    { x: rect.x + rect.width, y: rect.y + rect.height },
  ].map((corner) => {
    const { x, y } = unlevelled(untilted(corner));
    const across = (x - placed.x) / placed.width;
    const down = (y - placed.y) / placed.height;
    return {
      0: { x: across, y: down },
      90: { x: down, y: 1 - across },
      180: { x: 1 - across, y: 1 - down },
      270: { x: 1 - down, y: across },
    }[turn];
  });
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  return {
    left: Math.min(...xs),
    top: Math.min(...ys),
    right: Math.max(...xs),
    bottom: Math.max(...ys),
  };
}

/** Turns points about the middle of a rectangle, degrees clockwise. */
function turner({ x, y, width, height }: Rect, degrees: number): (point: Point) => Point {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const middle = { x: x + width / 2, y: y + height / 2 };
  return (point) => {
    const [across, down] = [point.x - middle.x, point.y - middle.y];
    return { x: middle.x + across * cos - down * sin, y: middle.y + across * sin + down * cos };
  };
}
