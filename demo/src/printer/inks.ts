import type { Lab } from "@wide-quilt/core";

export type Xyz = readonly [number, number, number];

/** A made-up paper and its inks, by what full areas of them look like (L*a*b* under D50). */
export interface InkSet {
  paper: Lab;
  /** Cyan, magenta, yellow and what they make printed over each other, in the order of the bits c, m, y. */
  solids: readonly [Lab, Lab, Lab, Lab, Lab, Lab, Lab, Lab];
  black: Lab;
  /** How much larger a dot of half tone prints than it was asked for. */
  gain: number;
}

const D50: Xyz = [0.9642, 1, 0.8249];

/** CIE 15:2018, 8.2.1.1, with D50 as the white. */
export function xyzOf([l, a, b]: Lab): Xyz {
  const y = (l + 16) / 116;
  const f = (t: number) => (t > 6 / 29 ? t ** 3 : 3 * (6 / 29) ** 2 * (t - 4 / 29));
  return [D50[0] * f(y + a / 500), D50[1] * f(y), D50[2] * f(y - b / 200)];
}

export function labOfXyz([x, y, z]: Xyz): Lab {
  const f = (t: number) => (t > (6 / 29) ** 3 ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29);
  const [fx, fy, fz] = [f(x / D50[0]), f(y / D50[1]), f(z / D50[2])];
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

/** Light that spreads inside the paper (Yule and Nielsen 1951). */
const SPREAD = 1.7;

/**
 * What amounts of ink look like, by the areas that each of the sixteen ways to print over each other covers
 * (Neugebauer 1937, areas by Demichel 1924), relative to the paper: XYZ of bare paper is D50.
 */
export function printed({
  paper,
  solids,
  black,
  gain,
}: InkSet): (c: number, m: number, y: number, k: number) => Xyz {
  const white = xyzOf(paper);
  const relative = (lab: Lab): Xyz => xyzOf(lab).map((v, i) => (v / white[i]!) * D50[i]!) as unknown as Xyz;
  const bare = solids.map(relative);
  const dark = relative(black);
  // Black over a colour: what black lets through of it.
  const under = bare.map(
    (xyz) => dark.map((v, i) => v * (0.25 + 0.75 * (xyz[i]! / D50[i]!))) as unknown as Xyz,
  );
  const roots = [...bare, ...under].map((xyz) => xyz.map((v) => v ** (1 / SPREAD)) as unknown as Xyz);
  const dot = (a: number) => a + 4 * gain * a * (1 - a);
  return (c, m, y, k) => {
    const [dc, dm, dy, dk] = [dot(c), dot(m), dot(y), dot(k)];
    let [x, z, w] = [0, 0, 0];
    for (let i = 0; i < 16; i++) {
      const area =
        (i & 1 ? dc : 1 - dc) * (i & 2 ? dm : 1 - dm) * (i & 4 ? dy : 1 - dy) * (i & 8 ? dk : 1 - dk);
      x += area * roots[i]![0];
      z += area * roots[i]![1];
      w += area * roots[i]![2];
    }
    return [x ** SPREAD, z ** SPREAD, w ** SPREAD];
  };
}

/** A glossy photo paper in the station’s inkjet: bright white, deep black, clean colours. */
export const LUSTRE: InkSet = {
  paper: [95, 0.3, -3.5],
  solids: [
    [95, 0.3, -3.5],
    [57, -42, -52],
    [49, 80, -8],
    [24, 28, -62],
    [91, -8, 103],
    [50, -74, 32],
    [48, 74, 58],
    [14, 1, -2],
  ],
  black: [7, 0, 0],
  gain: 0.08,
};

/** An uncoated stock on a press: a warm white, a soft black, muted colours. */
export const UNCOATED: InkSet = {
  paper: [93, 1, 3],
  solids: [
    [93, 1, 3],
    [58, -26, -42],
    [53, 58, -1],
    [38, 10, -32],
    [87, -3, 72],
    [52, -42, 15],
    [51, 55, 30],
    [33, 1, 1],
  ],
  black: [31, 1, 2],
  gain: 0.17,
};
