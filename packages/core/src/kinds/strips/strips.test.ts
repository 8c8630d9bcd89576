import { describe, expect, it } from "vitest";
import { right, type Rect } from "../../base/geometry/index.ts";
import { inch, mm, um } from "../../base/length/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import { SHIPPED_PATTERNS } from "../../edit/pattern/index.ts";
import { imposed } from "../../impose/index.ts";
import { readJob, type Job } from "../../job/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { check, toCheck } from "../../report/check/index.ts";
import { freshJob, kindOf, layOut, STRIP_LAYOUTS, type TicketOf } from "../index.ts";

const photos = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ id: `n${i + 1}`, name: `n${i + 1}.jpg` }));
const facts: Photos = Object.fromEntries(
  photos(9).map(({ id }, i) => [
    id,
    { width: 6000, height: 4000, exposure: { takenAt: `2026-10-0${i + 1}T14:05:00` } },
  ]),
);
const strip = (count: number, change: Partial<TicketOf<"strips">> = {}, ...edits: JobEdit[]): Job =>
  [{ do: "add photos", photos: photos(count) } as const, { do: "ticket", change } as const, ...edits].reduce(
    applyEdit,
    freshJob("strips", "Open day"),
  );
const rect = (x: number, y: number, width: number, height: number): Rect => ({
  x: um(x),
  y: um(y),
  width: um(width),
  height: um(height),
});
const said = (job: Job) =>
  kindOf(job)
    .say(job, { unit: "mm" }, layOut(job, facts).sums)
    .map(({ text }) => text)
    .join("");
const rules = (job: Job) => check(job, facts, arrange(job, facts)).map(({ rule }) => rule);

describe("a strip", () => {
  it("solves its shots from the page, the border, the gaps and the room for words", () => {
    // By hand: 50.8 − 8 = 42.8 mm wide; 152.4 − 8 − 18 = 126.4 mm high, less three gaps of 2.5 = 118.9 mm, a fourth of that
    // 29.725 mm.
    const job = strip(4);
    const [page, ...others] = arrange(job, facts);
    expect(others).toEqual([]);
    expect(page!.cells.map(({ finished }) => finished)).toEqual([
      rect(4000, 4000, 42_800, 29_725),
      rect(4000, 36_225, 42_800, 29_725),
      rect(4000, 68_450, 42_800, 29_725),
      rect(4000, 100_675, 42_800, 29_725),
    ]);
    // The words stand in the 18 mm above the lower border, in their middle: two lines about 139.4 mm.
    const text = page!.over.flatMap((ink) => (ink.kind === "text" ? [ink.text] : []));
    expect(text[0]!.lines.map((line) => line.text)).toEqual(["Open day", "1 October 2026"]);
    expect(text[0]!.box).toMatchObject({ x: 4000, width: 42_800 });
  });

  it("comes in pairs of the same on a sheet, to be cut down the middle", () => {
    const job = strip(4);
    const [sheet, ...others] = imposed(job, arrange(job, facts));
    expect(others).toEqual([]);
    expect(sheet!.paper).toEqual({ width: inch(4), height: inch(6) });
    expect(sheet!.freed).toEqual([rect(0, 0, 50_800, 152_400), rect(50_800, 0, 50_800, 152_400)]);
    expect(sheet!.cells.map(({ photo }) => photo)).toEqual(["n1", "n2", "n3", "n4", "n1", "n2", "n3", "n4"]);
    // Both as they are, one half of the sheet further.
    const [left, beside] = [sheet!.cells.slice(0, 4), sheet!.cells.slice(4)];
    expect(beside.map(({ finished: { x, y } }) => [x - 50_800, y])).toEqual(
      left.map(({ finished: { x, y } }) => [x, y]),
    );
    expect(sheet!.marks.length).toBeGreaterThan(0);
    expect(sheet!.marks.every(({ x1, x2, y1, y2 }) => x1 === x2 || y1 === y2)).toBe(true);
  });

  it("comes in pairs of two sets where the ticket says so, and in as many as the photos fill", () => {
    const job = strip(9, {}, { do: "impose", change: { order: "in order" } });
    expect(arrange(job, facts).map(({ cells }) => cells.map(({ photo }) => photo))).toEqual([
      ["n1", "n2", "n3", "n4"],
      ["n5", "n6", "n7", "n8"],
      ["n9", null, null, null],
    ]);
    const sheets = imposed(job, arrange(job, facts));
    expect(sheets.map(({ cells }) => cells.length)).toEqual([8, 4]);
    expect(rules(job)).toContain("empty-cell");
  });

  it("lays a shot askew, larger and over its neighbours", () => {
    const job = strip(3, {
      lines: [1, 1, 1].map((cells) => ({ cells, share: 1 })),
      tilts: [{ shot: 2, angle: -6, size: 1.1 }],
    });
    const cells = arrange(job, facts)[0]!.cells;
    expect(cells.map(({ photo }) => photo)).toEqual(["n1", "n3", "n2"]);
    const [first, , askew] = cells;
    expect([askew!.angle, askew!.placed]).toEqual([-6, false]);
    // 1.1 times 42.8 mm about the same middle.
    expect(askew!.finished.width).toBe(47_080);
    expect(2 * askew!.finished.x + askew!.finished.width).toBe(2 * first!.finished.x + first!.finished.width);
  });

  it("has a large shot and three small ones beside it, by shares", () => {
    const layout = STRIP_LAYOUTS.find(({ name }) => name === "Card, one large and three small")!;
    const { job } = SHIPPED_PATTERNS.find(({ name }) => name === layout.name)!;
    const [large, ...small] = arrange(job, {})[0]!.cells.map(({ finished }) => finished);
    // 152.4 − 10 − 3 = 139.4 mm in 2.6 to 1 is 100.678 and 38.722 mm; 101.6 − 10 − 14 = 77.6 mm high.
    expect(large).toEqual(rect(5000, 5000, 100_678, 77_600));
    expect(small.map(({ x, width }) => [x, width])).toEqual(Array(3).fill([108_678, 38_722]));
    // (77.6 − 6) / 3 = 23.867 mm each.
    expect(Math.max(...small.map(({ height }) => Math.abs(height - 23_867)))).toBeLessThanOrEqual(1);
    expect(right(small[0]!)).toBe(inch(6) - 5000);
  });

  it("is said as one sentence", () => {
    expect(said(strip(4))).toBe(
      "Strips of four shots at 5 × 15 cm, upright, 2.5\u00a0mm apart, with a border of 4\u00a0mm and 18\u00a0mm for words at the foot, nothing important within 1.5\u00a0mm of the cut, with no marks to cut by, no outline and no slack, finished plainly, for Lab, lustre at 300\u00a0ppi, the same page two times to a sheet of 10 × 15 cm, cut apart.",
    );
  });

  it("tells what a knife that is off would spoil, and mends it", () => {
    const near = strip(4, { border: mm(1) });
    expect(rules(near)).toContain("near-the-knife");
    expect(rules(strip(4))).not.toContain("near-the-knife");
    const bare = strip(4, { border: um(0), room: um(0) });
    const told = check(bare, facts, arrange(bare, facts)).find(({ rule }) => rule === "runs-to-the-knife")!;
    expect(told.sentence).toContain("a sliver of the next one would show");
    expect(rules(applyEdit(bare, told.mend!.edit))).not.toContain("runs-to-the-knife");
    // One to a sheet there is no next one.
    expect(rules(applyEdit(bare, { do: "impose", change: { way: "one" } }))).not.toContain(
      "runs-to-the-knife",
    );
  });

  it("says what is too much for its page, and how to make room", () => {
    const full = strip(4, { room: mm(150) });
    const told = check(full, facts, arrange(full, facts)).find(({ rule }) => rule === "nothing-fits")!;
    expect(arrange(applyEdit(full, told.mend!.edit), facts)).toHaveLength(1);
  });
});

describe("what it was made at", () => {
  it("fills words in: the event, the set, who and when", () => {
    const job: Job = {
      ...strip(4, {
        words: {
          text: "[event] [set, 3 digits] [person] [date, numbers] [time]",
          type: { font: "hanken", size: mm(2), least: mm(1), colour: "#000000", align: "left" },
        },
        roomAt: "foot",
      }),
      occasion: { event: "Open day", set: 87, person: "Wren", at: "2026-10-03T15:30:00" },
    };
    const [page] = arrange(job, facts);
    const words = page!.over.flatMap((ink) => (ink.kind === "text" ? ink.text.lines : []));
    expect(words.map(({ text }) => text).join(" ")).toBe("Open day 087 Wren 2026-10-03 15:30");
    expect(readJob(JSON.parse(JSON.stringify(job)))).toEqual({ ok: true, job });
    expect(rules(job)).not.toContain("unknown-field");
  });
});

describe("the layouts that ship", () => {
  it.each(SHIPPED_PATTERNS.map((pattern) => [pattern.name, pattern] as const))("%s", (_, { job }) => {
    expect(readJob(JSON.parse(JSON.stringify(job))).ok).toBe(true);
    const shots = arrange(job, {})[0]!.cells.length;
    const filled = applyEdit(job, { do: "add photos", photos: photos(shots) });
    const [page, ...others] = arrange(filled, facts);
    expect(others).toEqual([]);
    expect(new Set(page!.cells.map(({ photo }) => photo)).size).toBe(shots);
    const told = toCheck(check(filled, facts, arrange(filled, facts))).map(({ rule }) => rule);
    // What photos of 3 : 2 lose in the upright ones is the photos’ matter.
    expect(told.filter((rule) => rule !== "crop-loss")).toEqual([]);
    for (const { finished } of page!.cells) {
      expect(finished.x).toBeGreaterThanOrEqual(1500);
      expect(right(finished)).toBeLessThanOrEqual(page!.paper.width - 1500);
    }
  });
});
