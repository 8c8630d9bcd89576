import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { contains, overlap, type Rect } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { aligned, distributed, roomAround, sameSize, sizesThere, snap, type SnapTo } from "./index.ts";

const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: um(x),
  y: um(y),
  width: um(width),
  height: um(height),
});
const sheet = rect(0, 0, 1000, 800);
const to = (over: Partial<SnapTo>): SnapTo => ({
  cells: [],
  areas: [],
  guides: { x: [], y: [] },
  grid: null,
  gap: um(0),
  within: um(10),
  ...over,
});
const xs = (rects: readonly Rect[]) => rects.map(({ x }) => x);

describe("snapping", () => {
  it("catches a neighbour's edge, and shows the line over both", () => {
    const { dx, dy, lines } = snap(rect(204, 300, 100, 100), to({ cells: [rect(200, 50, 100, 80)] }));
    expect([dx, dy]).toEqual([-4, 0]);
    expect(lines).toEqual([{ along: "y", at: 200, from: 50, to: 400 }]);
  });

  it("catches the middle of the sheet", () => {
    // 1000/2 − 100/2 = 450, and 800/2 − 50 = 350
    expect(snap(rect(446, 355, 100, 100), to({ areas: [sheet] }))).toMatchObject({ dx: 4, dy: -5 });
  });

  it("keeps the common gap to a neighbour beside it, and says where it is", () => {
    const { dx, lines } = snap(rect(323, 60, 100, 40), to({ cells: [rect(200, 50, 100, 80)], gap: um(20) }));
    expect(dx).toBe(-3); // 200 + 100 + 20
    expect(lines[0]!.gap).toEqual({ from: 300, to: 320 });
  });

  it("sets a third at the gap that two have already", () => {
    const cells = [rect(0, 0, 100, 100), rect(137, 0, 100, 100)];
    expect(snap(rect(270, 0, 100, 100), to({ cells })).dx).toBe(4); // 237 + 37 = 274
  });

  it("catches guides and the grid, guides sooner", () => {
    expect(snap(rect(96, 0, 77, 77), to({ grid: um(50) })).dx).toBe(4);
    expect(snap(rect(96, 0, 77, 77), to({ grid: um(50), guides: { x: [um(93)], y: [] } })).dx).toBe(-3);
  });

  it("moves only the edge that is dragged when resizing", () => {
    const cells = [rect(300, 0, 50, 50)];
    expect(snap(rect(100, 0, 195, 40), to({ cells }), { x: "right", y: null })).toMatchObject({
      dx: 5,
      dy: 0,
    });
    expect(snap(rect(100, 0, 195, 40), to({ cells }), { x: "left", y: null }).dx).toBe(0);
  });

  it("leaves alone what is further than it may reach", () => {
    expect(snap(rect(215, 411, 33, 33), to({ cells: [rect(0, 0, 200, 200)], areas: [sheet] }))).toEqual({
      dx: 0,
      dy: 0,
      lines: [],
    });
  });
});

describe("several cells", () => {
  const three = [rect(0, 0, 100, 50), rect(130, 20, 50, 80), rect(300, 10, 100, 50)];

  it("are aligned to what is around them", () => {
    expect(xs(aligned(three, "right"))).toEqual([300, 350, 300]);
    expect(aligned(three, "middle").map(({ y }) => y)).toEqual([25, 10, 25]); // around them 0…100
    expect(aligned([three[0]!], "centre", sheet)[0]!.x).toBe(450);
  });

  it("are set at equal gaps: (400 − 250)/2 = 75", () => {
    expect(xs(distributed(three, "x"))).toEqual([0, 175, 300]);
  });

  it("keep first and last, and gaps within a micrometre, whatever they are", () => {
    const any = fc.record({ x: fc.integer({ min: 0, max: 5000 }), width: fc.integer({ min: 1, max: 900 }) });
    fc.assert(
      fc.property(fc.array(any, { minLength: 3, maxLength: 9 }), (list) => {
        const rects = list.map(({ x, width }) => rect(x, 0, width, 10));
        const order = rects.map((_, i) => i).sort((a, b) => rects[a]!.x - rects[b]!.x);
        const set = distributed(rects, "x");
        const inOrder = order.map((i) => set[i]!);
        expect(inOrder[0]).toEqual(rects[order[0]!]);
        expect(inOrder.at(-1)).toEqual(rects[order.at(-1)!]);
        const gaps = inOrder.slice(1).map((r, i) => r.x - inOrder[i]!.x - inOrder[i]!.width);
        expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(1);
      }),
    );
  });

  it("are made the size of one, about their own middles", () => {
    expect(sameSize([rect(0, 0, 100, 50)], rect(9, 9, 60, 60))).toEqual([rect(20, -5, 60, 60)]);
  });
});

describe("the room around a point", () => {
  it("is the sheet less what is taken, a gap away from it", () => {
    const cells = [rect(0, 0, 400, 800)];
    expect(roomAround({ x: 700, y: 100 }, sheet, cells, 20)).toEqual(rect(420, 0, 580, 800));
    expect(roomAround({ x: 410, y: 100 }, sheet, cells, 20)).toBeNull();
    expect(roomAround({ x: 1200, y: 100 }, sheet, cells, 20)).toBeNull();
  });

  it("never overlaps a cell, and holds its point", () => {
    const cell = fc.record({
      x: fc.integer({ min: 0, max: 900 }),
      y: fc.integer({ min: 0, max: 700 }),
      w: fc.integer({ min: 1, max: 400 }),
      h: fc.integer({ min: 1, max: 400 }),
    });
    fc.assert(
      fc.property(
        fc.array(cell, { maxLength: 7 }),
        fc.integer({ min: 0, max: 1000 }),
        fc.integer({ min: 0, max: 800 }),
        (list, x, y) => {
          const cells = list.map((c) => rect(c.x, c.y, c.w, c.h));
          const room = roomAround({ x, y }, sheet, cells, 0);
          if (!room) return;
          expect(contains(sheet, room)).toBe(true);
          expect(x >= room.x && x <= room.x + room.width && y >= room.y && y <= room.y + room.height).toBe(
            true,
          );
          for (const other of cells) expect(overlap(room, other)).toBeNull();
        },
      ),
    );
  });

  it("takes sizes that fit there, lying as the photo does, the largest first", () => {
    const sizes = [
      { name: "small", width: um(20), height: um(30) },
      { name: "large", width: um(200), height: um(300) },
      { name: "too large", width: um(900), height: um(1200) },
    ];
    const found = sizesThere({ x: 10, y: 10 }, sheet, sizes, 1.5);
    expect(found.map(({ name }) => name)).toEqual(["As large as fits", "large", "small"]);
    expect(found[0]!.place).toEqual(rect(0, 0, 1000, 667));
    expect(found[1]!.place).toEqual(rect(0, 0, 300, 200));
  });
});
