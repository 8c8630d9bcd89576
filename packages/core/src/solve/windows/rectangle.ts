import type { Turned } from "./hull.ts";

/** How near to a side a point of the edge is taken to be of it, at first and once the side is known, in pixels. */
const NEAR = { first: 3, then: 1.2 };
/** The share of each side that is looked at, about its middle: corners may be round. */
const LOOKED = 0.84;
/** The share of a side that has to be seen for a rectangle to be one: something may hang into it. */
const SEEN = 0.6;

/** Points of one side of a rectangle: the line through them, and how many there are. */
interface Side {
  count: number;
  /** Away from the middle, at the middle of the side, and how that changes along the side. */
  away: number;
  slope: number;
}

/**
 * The rectangle whose four sides the points of an edge lie on, as exactly as they say together: each side is the line of
 * least squares through its points, all four sharing one tilt. Null where it is no rectangle. `about` is one that is nearly it.
 */
export function rectangleOn(edge: readonly number[], about: Turned): Turned | null {
  let rectangle = about;
  for (let round = 0; round < 4; round++) {
    const near = round === 0 ? Math.max(NEAR.first, 0.01 * Math.min(about.width, about.height)) : NEAR.then;
    const sides = sidesOf(edge, rectangle, near);
    const seen = sides.every(({ count }, i) => {
      const length = i < 2 ? rectangle.height : rectangle.width;
      return count >= SEEN * LOOKED * length - 1 && count >= 4;
    });
    if (!seen) return null;
    rectangle = moved(rectangle, sides);
  }
  return rectangle;
}

/** Right, left, lower and upper side. */
function sidesOf(edge: readonly number[], { x, y, width, height, angle }: Turned, near: number): Side[] {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [half, tall] = [width / 2, height / 2];
  const sums = Array.from({ length: 4 }, () => ({ n: 0, t: 0, tt: 0, d: 0, td: 0 }));
  const add = (side: number, along: number, away: number) => {
    const sum = sums[side]!;
    sum.n++;
    sum.t += along;
    sum.tt += along * along;
    sum.d += away;
    sum.td += along * away;
  };
  for (let i = 0; i < edge.length; i += 2) {
    const [dx, dy] = [edge[i]! - x, edge[i + 1]! - y];
    const [u, v] = [dx * cos + dy * sin, dy * cos - dx * sin];
    if (Math.abs(v) < LOOKED * tall) {
      if (Math.abs(u - half) < near) add(0, v, u - half);
      else if (Math.abs(u + half) < near) add(1, v, u + half);
    }
    if (Math.abs(u) < LOOKED * half) {
      if (Math.abs(v - tall) < near) add(2, u, v - tall);
      else if (Math.abs(v + tall) < near) add(3, u, v + tall);
    }
  }
  return sums.map(({ n, t, tt, d, td }) => {
    const spread = tt - (t * t) / n;
    const slope = n > 1 && spread > 0 ? (td - (t * d) / n) / spread : 0;
    return { count: n, slope, away: n > 0 ? d / n - (slope * t) / n : 0 };
  });
}

/** The rectangle after its sides: turned by what they say together, each then as far out as its points are. */
function moved(rectangle: Turned, sides: readonly Side[]): Turned {
  const { x, y, width, height, angle } = rectangle;
  const [right, left, lower, upper] = sides as [Side, Side, Side, Side];
  // Turned by a little clockwise, the right and left sides lean to −v, the lower and upper ones to +u. A side says as much
  // of it as the cube of its length.
  const said = [-right.slope, -left.slope, lower.slope, upper.slope];
  const weights = sides.map(({ count }) => count ** 3);
  const turn = said.reduce((sum, one, i) => sum + one * weights[i]!, 0) / weights.reduce((a, b) => a + b);
  const [u, v] = [(right.away + left.away) / 2, (lower.away + upper.away) / 2];
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return {
    x: x + u * cos - v * sin,
    y: y + u * sin + v * cos,
    width: width + right.away - left.away,
    height: height + lower.away - upper.away,
    angle: angle + turn,
  };
}
