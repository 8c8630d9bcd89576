import type { Rect } from "@wide-quilt/core";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Sight } from "./sights.ts";
import { Tiles } from "./tiles.ts";

/** A canvas that notes what is painted on it: the corner that the pen was moved to, and the size that was drawn there. */
class Canvas {
  static made: Canvas[] = [];
  width = 0;
  height = 0;
  drawn: { at: [number, number]; size: [number, number] }[] = [];
  private pen: [number, number] = [0, 0];

  constructor() {
    Canvas.made.push(this);
  }

  getContext = () => ({
    translate: (x: number, y: number) => void (this.pen = [x, y]),
    rotate: () => undefined,
    drawImage: (_image: unknown, _x: number, _y: number, width: number, height: number) =>
      void this.drawn.push({ at: this.pen, size: [width, height] }),
  });
}

const rect = (x: number, y: number, width: number, height: number) => ({ x, y, width, height }) as Rect;
/** A photo of 12 × 10 mm in a window of 10 × 10 mm, one millimetre of it over either side. */
const sight = (key: string, change: Partial<Sight> = {}): Sight => ({
  key,
  photoId: "a",
  picture: { placed: rect(-1000, 0, 12_000, 10_000), turn: 0, level: 0 } as Sight["picture"],
  window: rect(0, 0, 10_000, 10_000),
  corner: 0,
  look: null,
  middle: { x: 5000, y: 5000 },
  cells: [],
  ...change,
});
const image = {} as CanvasImageSource;
const images = new Map([["a", image]]);
/** 4.05 pixels a millimetre. */
const PER_UM = 0.00405;

beforeEach(() => {
  Canvas.made = [];
  vi.stubGlobal("OffscreenCanvas", Canvas);
});
afterEach(() => vi.unstubAllGlobals());

describe("photos as cells show them", () => {
  it("reach out to whole pixels, on a canvas with a pixel more than the cell", () => {
    new Tiles().of([sight("one")], images, PER_UM);
    const [canvas] = Canvas.made;
    // 10 mm are 40.5 pixels: 41, and one more.
    expect([canvas!.width, canvas!.height]).toEqual([42, 42]);
    // From −4.05 to 44.55 across and from 0 to 40.5 down, out to whole ones: −5 … 45, 0 … 41.
    expect(canvas!.drawn).toEqual([{ at: [-5, 0], size: [50, 41] }]);
  });

  it("lie on their side from the corner that comes first then", () => {
    const picture = { placed: rect(-1000, 0, 12_000, 10_000), turn: 90, level: 0 } as Sight["picture"];
    new Tiles().of([sight("one", { picture })], images, PER_UM);
    // Turned clockwise by a quarter its own upper left corner is the upper right one, at 45; its width goes down.
    expect(Canvas.made[0]!.drawn).toEqual([{ at: [45, 0], size: [41, 50] }]);
  });

  it("are painted once for as long as they stay the same", () => {
    const tiles = new Tiles();
    const [first] = tiles.of([sight("one")], images, PER_UM).values();
    const [again] = tiles.of([sight("one")], images, PER_UM).values();
    expect(again).toBe(first);
    expect(Canvas.made[0]!.drawn).toHaveLength(1);
    tiles.of([sight("one")], images, PER_UM * 2);
    tiles.of([sight("one")], new Map([["a", {} as CanvasImageSource]]), PER_UM * 2);
    expect(Canvas.made).toHaveLength(1);
    expect(Canvas.made[0]!.drawn).toHaveLength(3);
  });

  it("take the canvas of one that is gone, and leave out those whose picture has not come", () => {
    const tiles = new Tiles();
    tiles.of([sight("one"), sight("two")], images, PER_UM);
    const next = [sight("two"), sight("three"), sight("four"), sight("five", { photoId: "b" })];
    const found = tiles.of(next, images, PER_UM);
    expect([...found.keys()].map(({ key }) => key)).toEqual(["two", "three", "four"]);
    expect(new Set(found.values()).size).toBe(3);
    expect(Canvas.made).toHaveLength(3);
  });
});
