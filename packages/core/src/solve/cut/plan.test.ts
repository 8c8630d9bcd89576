import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { chance } from "../../base/chance.ts";
import { contains, overlap, type Rect, type Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { cutPlan, cutPlanCsv, nearestStraight, piecesInStack, type CutStep } from "./index.ts";

const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: um(x),
  y: um(y),
  width: um(width),
  height: um(height),
});
const size = (width: number, height: number): Size => ({ width: um(width), height: um(height) });
const grid = (columns: number, rows: number, w: number, h: number, gap: number, left: number, top: number) =>
  Array.from({ length: columns * rows }, (_, i) =>
    rect(left + (i % columns) * (w + gap), top + Math.floor(i / columns) * (h + gap), w, h),
  );
const passes = (paper: Size, cells: Rect[]) => {
  const plan = cutPlan(paper, cells);
  if (!plan.ok) throw new Error(`in the way: ${plan.inTheWay.join(" ")}`);
  return plan;
};

/** Cuts the paper as the steps say, and gives back what lies on the bench at the end. */
function carryOut(paper: Size, steps: readonly CutStep[]): Rect[] {
  let bench: Rect[] = [rect(0, 0, paper.width, paper.height)];
  const same = (a: Rect, b: Rect) =>
    a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height;
  for (const { hand, lines, stop, atStop } of steps) {
    hand.forEach((piece, i) => {
      expect(bench.some((one) => same(one, piece))).toBe(true);
      bench = bench.filter((one) => !same(one, piece));
      const { x1, y1, x2, y2 } = lines[i]!;
      if (x1 === x2) {
        expect([y1, y2]).toEqual([piece.y, piece.y + piece.height]);
        bench.push(rect(piece.x, piece.y, x1 - piece.x, piece.height));
        bench.push(rect(x1, piece.y, piece.x + piece.width - x1, piece.height));
      } else {
        expect([x1, x2]).toEqual([piece.x, piece.x + piece.width]);
        bench.push(rect(piece.x, piece.y, piece.width, y1 - piece.y));
        bench.push(rect(piece.x, y1, piece.width, piece.y + piece.height - y1));
      }
      if (i > 0) return;
      const from = {
        left: x1 - piece.x,
        right: piece.x + piece.width - x1,
        top: y1 - piece.y,
        bottom: piece.y + piece.height - y1,
      };
      expect(from[atStop]).toBe(stop);
    });
  }
  return bench;
}

describe("a trimmer that takes so many pieces at once", () => {
  it("has no stack of more, and frees every piece all the same: sixty grids and packings", () => {
    for (let seed = 0; seed < 60; seed++) {
      const random = chance(seed);
      const whole = (least: number, most: number) => least + Math.floor(random() * (most - least + 1));
      const [columns, rows, gap] = [whole(1, 6), whole(1, 6), whole(0, 1) * 2];
      const [w, h] = [whole(20, 40), whole(20, 40)];
      const paper = size(columns * (w + gap) + 30, rows * (h + gap) + 40);
      // Some are taken out of the grid, so that rows and columns differ.
      const cells = grid(columns, rows, w, h, gap, 11, 13).filter(() => random() > 0.15);
      const most = whole(1, 5);
      const plan = cutPlan(paper, cells, most);
      if (!plan.ok) throw new Error("in the way");
      expect(Math.max(0, ...plan.steps.map(({ hand }) => hand.length))).toBeLessThanOrEqual(most);
      const bench = carryOut(paper, plan.steps);
      for (const cell of cells) expect(bench).toContainEqual(cell);
      // Without the limit there are no more passes, and with it no more settings of the stop than passes.
      expect(passes(paper, cells).steps.length).toBeLessThanOrEqual(plan.steps.length);
    }
  });

  it("cuts the foot of the sheet off before it is divided, where eight strips cannot be stacked", () => {
    const cells = grid(8, 1, 20, 30, 0, 0, 0);
    const paper = size(160, 50);
    const limited = cutPlan(paper, cells, 3);
    if (!limited.ok) throw new Error("in the way");
    // By hand: halved thrice and the foot cut off are four passes in any order; with three in a stack the foot comes
    // before the last halving, which with its four pieces takes two passes: five. Divided first it would be 1 + 1 + 2 + 3.
    expect(passes(paper, cells).steps).toHaveLength(4);
    expect(limited.steps).toHaveLength(5);
  });

  it("holds what its height and the paper's thickness make, and never less than one", () => {
    expect(piecesInStack({ holds: um(1500), paper: um(250) })).toBe(6);
    expect(piecesInStack({ holds: um(1499), paper: um(250) })).toBe(5);
    expect(piecesInStack({ holds: um(100), paper: um(250) })).toBe(1);
  });
});

/**
 * The fewest passes, and with those the fewest settings of the stop, found by trying every cut along a finished edge in
 * every order: a stack is any number of equal pieces, whichever way they were turned. Written apart from the plan.
 */
function exhaustive(paper: Size, cells: Rect[]): [passes: number, stops: number] {
  type Piece = { w: number; h: number; cells: number[][] };
  const spin = ({ w, h, cells }: Piece): Piece => ({
    w: h,
    h: w,
    cells: cells.map(([x, y, a, b]) => [h - y! - b!, x!, b!, a!]),
  });
  const write = (p: Piece) =>
    `${p.w} ${p.h}:${[...p.cells].sort((a, b) => a[0]! - b[0]! || a[1]! - b[1]!).join(";")}`;
  const texts = new WeakMap<Piece, string>();
  const text = (p: Piece) => texts.get(p) ?? (texts.set(p, write(p)), texts.get(p)!);
  const canonicals = new Map<string, Piece>();
  const canonical = (p: Piece): Piece => {
    const known = canonicals.get(text(p));
    if (known) return known;
    const all = [p, spin(p), spin(spin(p)), spin(spin(spin(p)))];
    const least = all.reduce((a, b) => (text(b) < text(a) ? b : a));
    for (const one of all) canonicals.set(text(one), least);
    return least;
  };
  const done = (p: Piece) =>
    p.cells.length === 0 || (p.cells.length === 1 && p.cells[0]![2] === p.w && p.cells[0]![3] === p.h);
  const split = (p: Piece, at: number): [Piece, Piece] | null => {
    if (p.cells.some(([x, , w]) => x! < at && x! + w! > at)) return null;
    const part = (left: boolean) => p.cells.filter(([x]) => x! < at === left);
    return [
      { w: at, h: p.h, cells: part(true) },
      { w: p.w - at, h: p.h, cells: part(false).map(([x, y, w, h]) => [x! - at, y!, w!, h!]) },
    ];
  };
  const seen = new Map<string, [number, number]>();
  const better = (a: [number, number], b: [number, number]) => a[0] < b[0] || (a[0] === b[0] && a[1] < b[1]);
  const search = (bench: Map<string, Piece>, stop: number): [number, number] => {
    if (bench.size === 0) return [0, 0];
    const key = `${stop}|${[...bench.keys()].sort().join("|")}`;
    const known = seen.get(key);
    if (known) return known;
    let best: [number, number] = [Infinity, Infinity];
    for (const [name, piece] of bench) {
      for (const lying of [piece, spin(piece)]) {
        const edges = new Set(lying.cells.flatMap(([x, , w]) => [x!, x! + w!]));
        for (const at of edges) {
          if (at <= 0 || at >= lying.w) continue;
          const two = split(lying, at);
          if (!two) continue;
          const next = new Map(bench);
          next.delete(name);
          for (const part of two) {
            if (done(part)) continue;
            const named = canonical(part);
            next.set(text(named), named);
          }
          for (const set of [at, lying.w - at]) {
            const rest = search(next, set);
            const all: [number, number] = [rest[0] + 1, rest[1] + (set === stop ? 0 : 1)];
            if (better(all, best)) best = all;
          }
        }
      }
    }
    seen.set(key, best);
    return best;
  };
  const whole = canonical({
    w: paper.width,
    h: paper.height,
    cells: cells.map((c) => [c.x, c.y, c.width, c.height]),
  });
  return search(new Map([[text(whole), whole]]), -1);
}

describe("the cut plan", () => {
  it("cuts two pieces that touch and fill the paper once, in the middle", () => {
    const { steps, stops } = passes(size(100, 50), grid(2, 1, 50, 50, 0, 0, 0));
    expect(steps).toEqual([
      {
        number: 1,
        hand: [rect(0, 0, 100, 50)],
        atStop: "left",
        stop: 50,
        lines: [{ x1: 50, y1: 0, x2: 50, y2: 50 }],
        frees: 2,
      },
    ]);
    expect(stops).toBe(1);
  });

  it("halves a sheet of 4 × 2 and stacks the halves: 3 passes where each edge by itself would take 4", () => {
    // 100 → 50 + 50, stacked → 25 + 25, stacked → each 25 × 60 → 30: the third frees all eight
    const { steps } = passes(size(100, 60), grid(4, 2, 25, 30, 0, 0, 0));
    expect(steps).toHaveLength(3);
    expect(steps.map(({ hand }) => hand.length)).toEqual([1, 2, 4]);
    expect(steps.at(-1)!.frees).toBe(8);
  });

  it.each<[string, Size, Rect[]]>([
    ["one piece in the middle", size(100, 80), [rect(10, 10, 70, 50)]],
    ["2 × 1 with a gap", size(100, 50), grid(2, 1, 40, 40, 4, 8, 5)],
    ["2 × 2 with gaps", size(100, 100), grid(2, 2, 40, 30, 4, 8, 18)],
    ["3 × 1 without gaps", size(100, 50), grid(3, 1, 30, 40, 0, 5, 5)],
    ["3 × 1 with gaps", size(110, 50), grid(3, 1, 30, 40, 2, 8, 5)],
    ["4 × 1 with gaps", size(140, 40), grid(4, 1, 30, 40, 2, 7, 0)],
    ["one beside two", size(100, 60), [rect(0, 0, 40, 60), rect(44, 0, 56, 28), rect(44, 32, 56, 28)]],
    ["three sizes", size(100, 100), [rect(0, 0, 60, 100), rect(60, 0, 40, 50), rect(60, 50, 40, 30)]],
  ])("is proved by exhaustive search: %s", (_, paper, cells) => {
    const plan = passes(paper, cells);
    expect([plan.steps.length, plan.stops]).toEqual(exhaustive(paper, cells));
  });

  it("says which pieces stand in the way of every straight cut", () => {
    // A pinwheel, and one piece beside it that can be cut off.
    const pinwheel = [rect(0, 0, 20, 10), rect(20, 0, 10, 20), rect(10, 20, 20, 10), rect(0, 10, 10, 20)];
    const plan = cutPlan(size(60, 40), [rect(40, 0, 10, 10), ...pinwheel]);
    expect(plan).toEqual({ ok: false, inTheWay: [1, 2, 3, 4] });
    expect(cutPlan(size(60, 40), [rect(0, 0, 20, 20), rect(10, 10, 20, 20)])).toEqual({
      ok: false,
      inTheWay: [0, 1],
    });
  });

  it("has nothing to cut where the piece is the paper, or there is none", () => {
    expect(passes(size(100, 50), [rect(0, 0, 100, 50)])).toEqual({ ok: true, steps: [], stops: 0 });
    expect(passes(size(100, 50), [])).toEqual({ ok: true, steps: [], stops: 0 });
  });

  it("carried out, frees every piece of any sheet divided by straight cuts, and spoils none", () => {
    const divided = (area: Rect, cuts: number[], gap: number): Rect[] => {
      const [cut, ...rest] = cuts;
      const along = area.width >= area.height;
      const length = along ? area.width : area.height;
      if (cut === undefined || length < 40) return [area];
      const at = Math.round(10 + cut * (length - 20 - gap));
      const half = Math.ceil(rest.length / 2);
      const one = along ? rect(area.x, area.y, at, area.height) : rect(area.x, area.y, area.width, at);
      const other = along
        ? rect(area.x + at + gap, area.y, length - at - gap, area.height)
        : rect(area.x, area.y + at + gap, area.width, length - at - gap);
      return [...divided(one, rest.slice(0, half), gap), ...divided(other, rest.slice(half), gap)];
    };
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(0.25, 0.5, 0.5, 0.75), { maxLength: 14 }),
        fc.integer({ min: 0, max: 5 }),
        (cuts, gap) => {
          const paper = size(400, 300);
          const cells = divided(rect(7, 9, 380, 270), cuts, gap);
          const plan = passes(paper, cells);
          const bench = carryOut(paper, plan.steps);
          for (const cell of cells) expect(bench).toContainEqual(cell);
          for (const piece of bench) {
            const touched = cells.filter((cell) => overlap(cell, piece));
            expect(touched.length === 0 || (touched.length === 1 && contains(touched[0]!, piece))).toBe(true);
          }
          expect(plan.steps.reduce((sum, { frees }) => sum + frees, 0)).toBe(cells.length);
        },
      ),
      { numRuns: 30 },
    );
  });

  it("offers the nearest layout that can be cut: a pinwheel's pieces in rows, few of them moved far", () => {
    const pinwheel = [rect(0, 0, 20, 10), rect(20, 0, 10, 20), rect(10, 20, 20, 10), rect(0, 10, 10, 20)];
    const near = nearestStraight(pinwheel, rect(0, 0, 60, 40), 0)!;
    expect(near.map(({ width, height }) => [width, height])).toEqual(
      pinwheel.map(({ width, height }) => [width, height]),
    );
    expect(cutPlan(size(60, 40), near).ok).toBe(true);
    expect(
      Math.max(...near.map(({ x, y }, i) => Math.hypot(x - pinwheel[i]!.x, y - pinwheel[i]!.y))),
    ).toBeLessThan(30);
    // 900 of 900: nothing but the pinwheel itself fits on 30 × 30.
    expect(nearestStraight(pinwheel, rect(0, 0, 30, 30), 0)).toBeNull();
  });

  it("is written as a table: RFC 4180 lines with millimetres", () => {
    expect(cutPlanCsv(passes(size(100_000, 50_500), grid(2, 1, 50_000, 50_500, 0, 0, 0)))).toBe(
      "pass,pieces in the stack,width mm,height mm,edge at the stop,stop mm,frees\r\n1,1,100,50.5,left,50,2\r\n",
    );
  });
});
