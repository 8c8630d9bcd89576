import { partsOf, type Part } from "./boundary.ts";
import { hullOf, leastRectangle, simplified } from "./hull.ts";
import { rectangleOn } from "./rectangle.ts";
import { runsOf, type Alpha } from "./runs.ts";
import { WINDOW_LIMITS, type ArtWindow } from "./schema.ts";

/** How windows are looked for. */
export interface Search {
  /** What is less opaque than this is a window, 1 to 255. */
  threshold: number;
  /** Smaller ones than this, in pixels both ways, are none. */
  least: number;
}

/** Half transparent is transparent, and specks are no windows. */
export const usualSearch = ({ width, height }: Pick<Alpha, "width" | "height">): Search => ({
  threshold: 128,
  least: Math.max(8, Math.round(0.015 * Math.min(width, height))),
});

/** Nothing is seen through what is more opaque than this. */
const OPAQUE = 250;
/** How far a soft edge is followed, in pixels. */
const FOLLOWED = 256;
/** Places of an edge that are looked at for how soft it is. */
const PLACES = 400;

/**
 * Finds the transparent windows of an artwork, in reading order. One that is a rectangle, straight or tilted, is told as
 * that, corners to a fraction of a pixel; of any other shape the upright rectangle around it and its convex outline. What
 * stands inside a window (letters, a logo) leaves it one window.
 */
export function findWindows(alpha: Alpha, search: Search = usualSearch(alpha)): ArtWindow[] {
  const runs = runsOf(alpha, search.threshold);
  const parts = partsOf(alpha, search.threshold, runs, search.least, WINDOW_LIMITS.windows);
  return inReadingOrder(parts.map((part) => windowOf(part, alpha, search.threshold)));
}

function windowOf(part: Part, alpha: Alpha, threshold: number): ArtWindow {
  const hull = hullOf(part.edge);
  const rectangle = rectangleOn(part.edge, leastRectangle(hull));
  const soft = rounded(softness(part, alpha, threshold));
  if (!rectangle) {
    const [xs, ys] = [hull.map(([x]) => x), hull.map(([, y]) => y)];
    const [x, y] = [Math.min(...xs), Math.min(...ys)];
    const [width, height] = [Math.max(...xs) - x, Math.max(...ys) - y];
    const tolerance = Math.max(0.25, 0.001 * Math.max(width, height));
    const outline = simplified(hull, tolerance).slice(0, WINDOW_LIMITS.outline);
    return {
      ...{ x: rounded(x), y: rounded(y), width: rounded(width), height: rounded(height), angle: 0, soft },
      outline: outline.map(([u, v]) => [rounded(u), rounded(v)]),
    };
  }
  // The same rectangle is so many degrees tilted, or a quarter more with its sides changed over: the lesser tilt is meant.
  const quarters = Math.round(rectangle.angle / (Math.PI / 2));
  const angle = ((rectangle.angle - quarters * (Math.PI / 2)) * 180) / Math.PI;
  const [width, height] =
    quarters % 2 === 0 ? [rectangle.width, rectangle.height] : [rectangle.height, rectangle.width];
  return {
    x: rounded(rectangle.x - width / 2),
    y: rounded(rectangle.y - height / 2),
    width: rounded(width),
    height: rounded(height),
    angle: isStraight(angle, Math.max(width, height)) ? 0 : rounded(angle, 1000),
    soft,
    outline: [],
  };
}

/** A tilt of less than a tenth of a degree and than half a pixel from end to end is what measuring is off by. */
const isStraight = (angle: number, length: number): boolean =>
  Math.abs(angle) < 0.1 && Math.abs(Math.sin((angle * Math.PI) / 180)) * length < 0.5;

const rounded = (value: number, to = 100): number => Math.round(value * to) / to;

/** How far beyond its edge something is still seen through the artwork: the most of all places that are looked at. */
function softness(
  { edge, left, top, right, bottom }: Part,
  { data, width, height }: Alpha,
  threshold: number,
): number {
  const [cx, cy] = [(left + right) / 2, (top + bottom) / 2];
  const step = 2 * Math.max(1, Math.floor(edge.length / 2 / PLACES));
  let most = 0;
  for (let i = 0; i < edge.length; i += step) {
    const [x, y] = [edge[i]!, edge[i + 1]!];
    // Straight away from the nearer pair of sides, which an edge mostly faces.
    const across = Math.abs(x - cx) * (bottom - top) > Math.abs(y - cy) * (right - left);
    const [dx, dy] = across ? [Math.sign(x - cx), 0] : [0, Math.sign(y - cy)];
    for (let far = 0; far < FOLLOWED; far++) {
      const [u, v] = [Math.floor(x + dx * (far + 0.5)), Math.floor(y + dy * (far + 0.5))];
      const isPast = u < 0 || v < 0 || u >= width || v >= height;
      if (isPast || data[v * width + u]! > OPAQUE) {
        most = Math.max(most, far);
        break;
      }
      // The edge of something inside the window, or the next window.
      if (far > 1 && data[v * width + u]! < threshold) break;
    }
  }
  return most;
}

/** Row by row from the top, each from the left: windows whose middles lie within each other’s height are of a row. */
export function inReadingOrder(windows: readonly ArtWindow[]): ArtWindow[] {
  const middle = ({ y, height }: ArtWindow) => y + height / 2;
  const left = [...windows].sort((a, b) => middle(a) - middle(b));
  const ordered: ArtWindow[] = [];
  while (left.length > 0) {
    const first = left[0]!;
    const reach = Math.max(first.y + first.height * 0.75, middle(first));
    const row = left.filter((one) => middle(one) <= reach && one.y < middle(first));
    const of = row.length > 0 ? row : [first];
    for (const one of of) left.splice(left.indexOf(one), 1);
    ordered.push(...of.sort((a, b) => a.x + a.width / 2 - (b.x + b.width / 2)));
  }
  return ordered;
}
