import { describe, expect, it } from "vitest";
import type { Size } from "../base/geometry/index.ts";
import { mm } from "../base/length/index.ts";
import { paperById } from "../catalogue/paper/index.ts";
import { applyEdit, type JobEdit } from "../edit/index.ts";
import type { Job } from "../job/index.ts";
import { arrange } from "../plan/arrange.ts";
import { Packer } from "../solve/pack/index.ts";
import { freshJob, keepPacking, kindOf, layOut, type Kind } from "./index.ts";

const photos = {
  wide: { width: 6000, height: 4000 },
  tall: { width: 4000, height: 6000 },
  square: { width: 4000, height: 4000 },
};
const add = (...ids: (keyof typeof photos)[]): JobEdit => ({
  do: "add photos",
  photos: ids.map((id) => ({ id, name: `${id}.jpg` })),
});
const paper = (id: string): JobEdit => {
  const { name, width, height } = paperById(id);
  return { do: "sheet", change: { paper: { name, width, height } } };
};
const make = (kind: Kind, ...edits: JobEdit[]): Job => edits.reduce(applyEdit, freshJob(kind, "Test"));
const rects = (job: Job, sheet = 0) =>
  arrange(job, photos)[sheet]!.cells.map(({ finished: { x, y, width, height } }) => [x, y, width, height]);
const said = (job: Job) =>
  kindOf(job)
    .say(job, { unit: "mm", locale: "en-GB" }, layOut(job, photos).sums)
    .map(({ text }) => text)
    .join("")
    .replaceAll("\u00a0", " ");

describe("one per sheet", () => {
  it("lays each sheet as its photo lies, with the same white on all sides", () => {
    const job = make("single", add("tall", "wide"));
    const sheets = arrange(job, photos);
    expect(sheets.map(({ paper: { width, height } }) => [width, height])).toEqual([
      [127_000, 177_800],
      [177_800, 127_000],
    ]);
    expect(rects(job, 0)).toEqual([[6000, 6000, 115_000, 165_800]]);
    expect(rects(job, 1)).toEqual([[6000, 6000, 165_800, 115_000]]);
    expect(sheets.map(({ cells }) => cells[0]!.photo)).toEqual(["tall", "wide"]);
  });

  it("shows the whole photo inside the border: 115 mm wide, 2 : 3, is 172.5 high; 165.8 high is 110.533 wide", () => {
    const job = make("single", add("tall"), { do: "ticket", change: { way: "whole" } });
    expect(rects(job)).toEqual([[8234, 6000, 110_533, 165_800]]);
    expect(arrange(job, photos)[0]!.cells[0]!.picture!.loss).toBeLessThan(1e-4);
  });

  it("takes one size, lying as the photo does, and says what cannot be", () => {
    const size = { width: mm(100), height: mm(120) };
    const job = make("single", add("wide"), { do: "ticket", change: { way: "size", size } });
    expect(rects(job)).toEqual([[28_900, 13_500, 120_000, 100_000]]);
    const large = applyEdit(job, { do: "ticket", change: { size: { width: mm(200), height: mm(300) } } });
    expect(arrange(large, photos)).toEqual([]);
  });

  it("is said in one sentence", () => {
    expect(said(make("single", add("tall", "wide")))).toBe(
      "Put each of 2 photos on its own sheet of 13 × 18 cm paper, lying as the photo does, filling it but for a 6 mm white border, even on all sides inside no margins, with no marks to cut by, no outline and no slack, finished plainly, for Lab, lustre at 300 ppi, a page to a sheet.",
    );
  });
});

describe("mixed sizes", () => {
  const pieces = [
    { shot: 1, width: mm(100), height: mm(150), quantity: 2, mayTurn: true, photo: null, order: 1 },
    { shot: 2, width: mm(60), height: null, quantity: 1, mayTurn: true, photo: "wide", order: 1 },
  ];

  it("gives a piece of which only the width is known its photo's own proportion: 60 × 40 mm", () => {
    const job = make("mixed", paper("a4"), add("tall", "wide"), { do: "ticket", change: { pieces } });
    const [sheet] = arrange(job, photos);
    const sizes = sheet!.cells.map(({ key, photo, finished }) => [
      key,
      photo,
      ...[finished.width, finished.height].sort((a, b) => a - b),
    ]);
    expect(sizes).toContainEqual(["2.1", "wide", 40_000, 60_000]);
    expect(sizes.filter(([, photo]) => photo === "tall")).toHaveLength(2);
  });

  it("keeps an arrangement that was searched for, as long as it is the answer to what is asked", () => {
    const job = make("mixed", paper("a4"), add("tall", "wide"), { do: "ticket", change: { pieces } });
    if (job.ticket.kind !== "mixed") throw new Error("not mixed");
    const { question } = kindOf(job).packing(job, photos)!;
    const packer = new Packer(question, 99);
    const kept = applyEdit(job, { do: "ticket", change: { packing: keepPacking(question, packer.best()) } });
    // The sheet as a whole may lie the other way.
    const sides = ({ width, height }: Size) => [width, height].sort((a, b) => a - b);
    expect(layOut(kept, photos).sheets[0]!.cells.map(({ finished }) => sides(finished))).toEqual(
      packer.best().sheets[0]!.places.map(sides),
    );
    // Another gap is another question: what was kept is not used.
    const other = applyEdit(kept, { do: "ticket", change: { gap: mm(5) } });
    expect(layOut(other, photos)).toEqual(
      layOut(applyEdit(other, { do: "ticket", change: { packing: null } }), photos),
    );
  });

  it("names papers and pieces in its sentence", () => {
    const job = make("mixed", {
      do: "ticket",
      change: { pieces, papers: [{ name: "A5", width: mm(148), height: mm(210) }] },
    });
    expect(said(job)).toContain(
      "Put 2 at 100 × 150 mm and 1 at 60 mm wide on as few sheets as possible of A4 or A5 paper, 2 mm apart and centred inside no margins, to be freed by straight cuts",
    );
  });
});

describe("collage", () => {
  it("divides a finished sheet smaller than its paper, in the middle of it", () => {
    // 20 × 30 cm upright; finished 180 × 280: (203.2 − 180)/2 = 11.6, (304.8 − 280)/2 = 12.4; border 10, gap 2
    const job = make("collage", add("tall", "wide", "square"), {
      do: "ticket",
      change: { way: "grid", columns: 2, rows: 2, border: mm(10) },
    });
    const trimmed = applyEdit(job, {
      do: "sheet",
      change: { lie: "portrait", trim: { width: mm(180), height: mm(280) } },
    });
    expect(rects(trimmed)[0]).toEqual([21_600, 22_400, 79_000, 129_000]);
    expect(rects(trimmed)[3]).toEqual([102_600, 153_400, 79_000, 129_000]);
    expect(arrange(trimmed, photos)[0]!.trim).toEqual({
      x: 11_600,
      y: 12_400,
      width: 180_000,
      height: 280_000,
    });
  });

  it("fills photos in order over as many sheets as they need", () => {
    const job = make("collage", add("tall", "wide", "square"), {
      do: "ticket",
      change: { way: "counts", counts: [1, 1], sheets: "all" },
    });
    const sheets = arrange(job, photos);
    expect(sheets.map(({ cells }) => cells.map(({ photo }) => photo))).toEqual([
      ["tall", "wide"],
      ["square", null],
    ]);
  });

  it("lays the paper so that less is cropped", () => {
    const lies = (...ids: (keyof typeof photos)[]) => {
      const { paper } = arrange(
        make("collage", add(...ids), { do: "ticket", change: { way: "lines" } }),
        photos,
      )[0]!;
      return paper.width > paper.height;
    };
    expect([lies("wide"), lies("tall")]).toEqual([true, false]);
  });

  it("keeps its arrangement through another gap, and says what that crops", () => {
    const job = make("collage", add("tall", "wide", "square"));
    const { arrangement } = layOut(job, photos).sums;
    const held = applyEdit(job, { do: "ticket", change: { arrangement: arrangement!, gap: mm(6) } });
    expect(layOut(held, photos).sums.arrangement).toBe(arrangement);
    // Other photos are another question.
    expect(applyEdit(held, { do: "remove photo", photo: "wide" }).ticket).toMatchObject({
      arrangement: null,
    });
  });

  it("has no sheet where border and gaps leave nothing", () => {
    expect(
      arrange(make("collage", add("tall"), { do: "ticket", change: { border: mm(150) } }), photos),
    ).toEqual([]);
  });
});

it("becomes Free with its photos, paper and added cells, every cell where it stood", () => {
  let job = make("copies", add("tall", "wide"), paper("a4"));
  const place = {
    sheet: "1",
    x: mm(5),
    y: mm(5),
    width: mm(20),
    height: mm(20),
    angle: 0,
    order: 0,
    locked: false,
    proportion: false,
  };
  job = applyEdit(job, { do: "place", cells: { "3": { place } } });
  job = applyEdit(job, { do: "add cells", cells: [{ place, photo: "wide" }] });
  const free = applyEdit(job, { do: "become", kind: "free" });
  expect(free).toMatchObject({ ticket: { kind: "free", gap: 2000 }, sheet: { paper: { name: "A4" } } });
  const where = (of: typeof job) =>
    arrange(of, photos)[0]!
      .cells.map(({ finished: { x, y }, photo }) => `${x} ${y} ${photo}`)
      .sort();
  expect(where(free)).toEqual(where(job));
  expect(free.stash).toHaveLength(2);
});
