import { describe, expect, it } from "vitest";
import { around, overlap } from "../base/geometry/index.ts";
import { mm } from "../base/length/index.ts";
import { applyEdit, type JobEdit } from "../edit/index.ts";
import type { Job, Place } from "../job/index.ts";
import { freshJob } from "../kinds/index.ts";
import { check } from "../report/check/index.ts";
import { arrange } from "./arrange.ts";
import { layers, lowest } from "./index.ts";

const photos = { a: { width: 4000, height: 6000 }, b: { width: 6000, height: 4000 } };
const place = (over: Partial<Place> = {}): Place => ({
  sheet: "1",
  x: mm(10),
  y: mm(10),
  width: mm(30),
  height: mm(40),
  angle: 0,
  order: 0,
  locked: false,
  proportion: false,
  ...over,
});
const make = (...edits: JobEdit[]): Job =>
  edits.reduce(
    applyEdit,
    applyEdit(freshJob("copies", "By hand"), {
      do: "add photos",
      photos: [
        { id: "a", name: "a.jpg" },
        { id: "b", name: "b.jpg" },
      ],
    }),
  );
const on = (job: Job, sheet = 0) => arrange(job, photos)[sheet]!;
const cell = (job: Job, key: string) => on(job).cells.find((one) => one.key === key)!;

describe("what was set by hand", () => {
  it("stands where it was put, through another gap and another paper, and goes back when it is given back", () => {
    const put = make({ do: "place", cells: { "3": { place: place() } } });
    const changed = applyEdit(put, { do: "ticket", change: { gap: mm(5) } });
    expect(cell(changed, "3")).toMatchObject({
      finished: { x: 10_000, y: 10_000, width: 30_000 },
      placed: true,
      photo: "a",
    });
    expect(cell(changed, "2").placed).toBe(false);
    const back = applyEdit(changed, { do: "unplace", cells: ["3"] });
    expect(back.cells).toEqual({});
    expect(cell(back, "3")).toEqual(cell(make({ do: "ticket", change: { gap: mm(5) } }), "3"));
  });

  it("stays even when the layout has fewer cells", () => {
    const put = make(
      { do: "place", cells: { "8": { place: place() } } },
      { do: "ticket", change: { copies: 2 } },
    );
    expect(on(put).cells.map(({ key }) => key)).toEqual(["1", "2", "8"]);
  });

  it("is taken out, and brought back", () => {
    const out = make({ do: "remove cells", cells: ["2", "5"] });
    expect(on(out).cells.map(({ key }) => key)).toEqual(["1", "3", "4", "6", "7", "8"]);
    expect(on(applyEdit(out, { do: "bring back" })).cells).toHaveLength(8);
  });

  it("adds cells with a photo of their own, and copies that show what the first shows", () => {
    let job = make({ do: "add cells", cells: [{ place: place(), photo: "b" }] });
    job = applyEdit(job, {
      do: "add cells",
      cells: [{ place: place({ x: mm(60) }), photo: null, like: "o1" }],
    });
    expect([cell(job, "o1").photo, cell(job, "o2").photo]).toEqual(["b", "b"]);
    expect(cell(job, "o1").shot).toBe(cell(job, "o2").shot);
    const swapped = applyEdit(job, { do: "put in one", cell: "o2", photo: "a" });
    expect([cell(swapped, "o1").photo, cell(swapped, "o2").photo]).toEqual(["b", "a"]);
    expect(
      on(applyEdit(job, { do: "remove cells", cells: ["o1"] })).cells.some(({ key }) => key === "o1"),
    ).toBe(false);
  });

  it("shares a photo by shot number: the second shot shows the second photo", () => {
    const job = make({ do: "share shot", cells: ["2", "4"], shot: "2" });
    expect(on(job).cells.map(({ photo }) => photo)).toEqual(["a", "b", "a", "b", "a", "a", "a", "a"]);
    const all = applyEdit(job, { do: "put in all", photo: "b" });
    expect(new Set(on(all).cells.map(({ photo }) => photo))).toEqual(new Set(["b"]));
  });

  it("cuts slack back to each neighbour of a cell that was moved, and not on its open sides", () => {
    // Cell 1 by itself at the left; cell 2 begins 4 mm beside it: the slack of 3 mm ends in the middle, 2 mm on.
    const job = make(
      { do: "finish", change: { slack: mm(3) } },
      { do: "remove cells", cells: ["1", "2", "3", "4", "5", "6", "7", "8"] },
      {
        do: "add cells",
        cells: [
          { place: place(), photo: "a" },
          { place: place({ x: mm(44) }), photo: "a" },
        ],
      },
    );
    const { image } = cell(job, "o1");
    expect(image).toEqual({ x: 7000, y: 7000, width: 35_000, height: 46_000 });
  });
});

describe("sheets by hand", () => {
  it("are added after one, ordered, removed with their cells, and brought back", () => {
    let job = make({ do: "ticket", change: { copies: 20 } });
    expect(arrange(job, photos).map(({ id }) => id)).toEqual(["1", "2", "3"]);
    job = applyEdit(job, { do: "add sheet", after: "1", sheets: ["1", "2", "3"] });
    job = applyEdit(job, { do: "place", cells: { "1": { place: place({ sheet: "a1" }) } } });
    expect(arrange(job, photos).map(({ id, cells }) => [id, cells.length])).toEqual([
      ["1", 7],
      ["a1", 1],
      ["2", 8],
      ["3", 4],
    ]);
    job = applyEdit(job, { do: "order sheets", sheets: ["3", "a1"] });
    expect(arrange(job, photos).map(({ id, number }) => [id, number])).toEqual([
      ["3", 1],
      ["a1", 2],
      ["1", 3],
      ["2", 4],
    ]);
    job = applyEdit(job, { do: "remove sheet", sheet: "a1" });
    job = applyEdit(job, { do: "remove sheet", sheet: "2" });
    expect(arrange(job, photos).map(({ id }) => id)).toEqual(["3", "1"]);
    job = applyEdit(job, { do: "bring back" });
    expect(arrange(job, photos).map(({ id, cells }) => [id, cells.length])).toEqual([
      ["3", 4],
      ["1", 7],
      ["2", 9],
    ]);
    // The cell that was put on the added sheet is back as well; its sheet is not, and that is told.
    expect(check(job, photos, arrange(job, photos))).toContainEqual(
      expect.objectContaining({ rule: "stray-cell", cells: ["1"] }),
    );
  });
});

describe("photos in their order", () => {
  it("move up with what was set by hand when one before them goes", () => {
    let job = applyEdit(freshJob("single", "Proofs"), {
      do: "add photos",
      photos: [
        { id: "a", name: "a.jpg" },
        { id: "b", name: "b.jpg" },
      ],
    });
    job = applyEdit(job, { do: "shot", shot: "p2", change: { scale: 2 } });
    const first = (of: Job) => arrange(of, photos)[0]!.cells[0]!;
    const without = applyEdit(job, { do: "remove photo", photo: "a" });
    expect(first(without)).toMatchObject({ photo: "b", byHand: true });
    const swapped = applyEdit(job, { do: "move photo", photo: "b", to: 0 });
    expect(first(swapped)).toMatchObject({ photo: "b", byHand: true });
    expect(arrange(swapped, photos)[1]!.cells[0]!).toMatchObject({ photo: "a", byHand: false });
  });
});

describe("cells that lie over others", () => {
  it("are painted after those under them, the higher order last; others all at once", () => {
    const job = make(
      { do: "place", cells: { "1": { place: place({ order: 1 }) } } },
      { do: "place", cells: { "2": { place: place({ x: mm(20) }) } } },
    );
    const sheet = on(job);
    expect(sheet.cells.at(-1)!.key).toBe("1");
    const found = layers(sheet);
    expect(found.flat()).toEqual(sheet.cells);
    expect(found.at(-1)!.map(({ key }) => key)).toEqual(["1"]);
    for (const cells of found)
      for (const one of cells)
        for (const other of cells)
          if (one !== other) expect(overlap(one.finished, other.finished)).toBeNull();
    expect(layers(on(make()))).toHaveLength(1);
  });

  it("lie over others or not: those that do not may be painted first", () => {
    // 35 × 45 mm, 2 mm apart, from (3.2, 4.8): at 20 … 50 by 10 … 50 mm a piece lies over the first two and no other.
    const lowestOf = (order: number) =>
      lowest(on(make({ do: "place", cells: { "3": { place: place({ x: mm(20), order }) } } })));
    const keys = (cells: readonly { key: string }[]) => cells.map(({ key }) => key).sort();
    expect(keys(lowestOf(1))).toEqual(["1", "2", "4", "5", "6", "7", "8"]);
    expect(keys(lowestOf(-1))).toEqual(["3", "4", "5", "6", "7", "8"]);
    expect(lowest(on(make()))).toHaveLength(8);
  });

  it("tilted by a quarter are as wide as they were high, about the same middle", () => {
    const { finished } = cell(make({ do: "place", cells: { "1": { place: place({ angle: 90 }) } } }), "1");
    const box = around({ finished, angle: 90 });
    // 30 × 40 at (10, 10): the middle is (25, 30), so it reaches from (5, 15) to (45, 45); edges go outwards
    expect(Math.abs(box.x - 5000)).toBeLessThanOrEqual(1);
    expect(Math.abs(box.y - 15_000)).toBeLessThanOrEqual(1);
    expect(box.width - 40_000).toBeLessThanOrEqual(2);
    expect(box.height - 30_000).toBeLessThanOrEqual(2);
  });
});

it("bleeds where a cell touches the edge of the finished sheet, and nowhere else", () => {
  const job = make(
    { do: "sheet", change: { lie: "landscape", trim: { width: mm(120), height: mm(80) } } },
    { do: "target", change: { bleed: mm(3) } },
    { do: "remove cells", cells: ["1", "2", "3", "4", "5", "6"] },
    // The finished sheet begins at (16.2, 10.8) mm of 152.4 × 101.6.
    { do: "add cells", cells: [{ place: place({ x: mm(16.2), y: mm(30) }), photo: "a" }] },
  );
  expect(cell(job, "o1").image).toEqual({ x: 13_200, y: 30_000, width: 33_000, height: 40_000 });
  expect(on(job).bleed).toEqual({ x: 13_200, y: 7800, width: 126_000, height: 86_000 });
});
