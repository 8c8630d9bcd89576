import type { Rect } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { inOrder, pointsOf, shapePath, type Shape } from "../../finish/shapes/index.ts";
import { turnedAbout } from "../../photo/crop/index.ts";
import { hullOf, type ArtWindow, type Point } from "../../solve/windows/index.ts";

/** Whether windows are cut into shapes that were drawn here. */
export const hasWindows = ({ shapes }: Pick<Job, "shapes">): boolean => Object.values(shapes).some(isWindow);

/** A window of one page alone would be a cell on that alone; cells are the same on every page. */
const isWindow = ({ is, sheet }: Shape): boolean => is === "window" && sheet === null;

/** The windows that were cut here, in their order, as those of an artwork whose pixels are µm of the page. */
export function madeWindows({ shapes }: Pick<Job, "shapes">): readonly ArtWindow[] {
  const known = found.get(shapes);
  if (known) return known;
  const windows = inOrder(shapes).flatMap(([, shape]) => (isWindow(shape) ? [windowOf(shape)] : []));
  found.set(shapes, windows);
  return windows;
}

/** Windows by the shapes they are of: a drag asks for them sixty times a second. */
const found = new WeakMap<Job["shapes"], readonly ArtWindow[]>();

function windowOf(shape: Shape): ArtWindow {
  const { x, y, width, height, turn } = shape;
  // A window lies on its side rather than on its head: photos stay upright in it.
  const angle = turn > 90 ? turn - 180 : turn < -90 ? turn + 180 : turn;
  const isStraight = shape.form === "rectangle";
  return {
    x,
    y,
    width,
    height,
    angle,
    soft: 0,
    outline: isStraight ? [] : hullOf(turnedPoints(shape).flat()).map(([px, py]) => [px, py]),
  };
}

/** Whether a shape lies all around a rectangle that is tilted about its middle; never of one that has notches. */
export function liesAround(shape: Shape, rect: Rect, angle: number): boolean {
  if (shape.form === "star" || shape.form === "ribbon" || shape.form === "line") return false;
  const points = turnedPoints(shape);
  return turnedCorners(rect, angle).every((corner) =>
    points.every((from, i) => {
      const to = points[(i + 1) % points.length]!;
      return (to[0] - from[0]) * (corner[1] - from[1]) - (to[1] - from[1]) * (corner[0] - from[0]) >= -1;
    }),
  );
}

/** The outline of a shape as it is turned, clockwise as seen. */
const turnedPoints = (shape: Shape): Point[] => turned(pointsOf(shapePath(shape)), shape, shape.turn);

const turnedCorners = (rect: Rect, angle: number): Point[] =>
  turned(
    pointsOf(shapePath({ ...rect, form: "rectangle", corner: um(0), points: 3, depth: 0.5 })),
    rect,
    angle,
  );

const turned = (points: readonly Point[], box: Rect, degrees: number): Point[] =>
  points.map(([x, y]) => {
    const at = turnedAbout(box, degrees, { x, y });
    return [at.x, at.y];
  });
