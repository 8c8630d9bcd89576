import { describe, expect, it } from "vitest";
import { labOf, type Sharpening } from "@wide-quilt/core";
import { sharpened } from "./worn.ts";

const WIDTH = 200;
const HEIGHT = 8;

/** Two flat colours side by side, as raw pixels. */
function edge(left: readonly number[], right: readonly number[]) {
  const data = new Uint8Array(WIDTH * HEIGHT * 3);
  for (let i = 0; i < WIDTH * HEIGHT; i++) data.set(i % WIDTH < WIDTH / 2 ? left : right, i * 3);
  return { data, width: WIDTH, height: HEIGHT, channels: 3 };
}

/** L* along the middle row. */
const lightness = (data: ArrayLike<number>): number[] =>
  Array.from({ length: WIDTH }, (_, x) => {
    const at = ((HEIGHT / 2) * WIDTH + x) * 3;
    return labOf(data[at]!, data[at + 1]!, data[at + 2]!)[0];
  });

const GREYS = [
  [110, 110, 110],
  [150, 150, 150],
] as const;

describe("sharpening for paper", () => {
  const how: Sharpening = { radius: 254, amount: 1 };

  it("raises the light side of an edge and lowers the dark one by half the step times the amount, at the edge", async () => {
    const before = lightness(edge(...GREYS).data);
    const step = before[WIDTH - 1]! - before[0]!;
    for (const amount of [0.5, 1]) {
      const { data } = await sharpened(edge(...GREYS), { ...how, amount }, 300);
      const after = lightness(data);
      // Right at an ideal edge a Gaussian has half the step; one pixel to the side (σ = 3 px) it has Φ(1/6) = 0.566 of it.
      const expected = amount * step * (1 - 0.566);
      expect(Math.abs(after[WIDTH / 2]! - before[WIDTH / 2]! - expected)).toBeLessThan(0.7);
      expect(Math.abs(before[WIDTH / 2 - 1]! - after[WIDTH / 2 - 1]! - expected)).toBeLessThan(0.7);
      expect([after[0], after[WIDTH - 1]]).toEqual([before[0], before[WIDTH - 1]]);
    }
  });

  it("has a halo that is as wide on paper whatever the ppi", async () => {
    const halo = async (ppi: number) => {
      const before = lightness(edge(...GREYS).data);
      const after = lightness((await sharpened(edge(...GREYS), how, ppi)).data);
      const over = after.map((v, x) => v - before[x]!).slice(WIDTH / 2);
      return over.findIndex((v) => v < over[0]! / 4) / ppi;
    };
    expect(Math.abs((await halo(600)) / (await halo(300)) - 1)).toBeLessThan(0.3);
  });

  it("touches lightness alone: an edge between two colours of the same L* stays", async () => {
    // L* 60.3 and 60.2, far apart in a* and b*.
    const [left, right] = [
      [214, 115, 140],
      [92, 159, 104],
    ] as const;
    expect(Math.abs(labOf(...left)[0] - labOf(...right)[0])).toBeLessThan(0.6);
    const { data } = await sharpened(edge(left, right), { radius: 254, amount: 1.6 }, 300);
    const original = edge(left, right).data;
    const most = Math.max(...original.map((v, i) => Math.abs(v - data[i]!)));
    expect(most).toBeLessThanOrEqual(2);
  });

  it("is nothing where none is asked for", async () => {
    const raw = edge(...GREYS);
    expect((await sharpened(raw, null, 300)).data).toBe(raw.data);
  });
});
