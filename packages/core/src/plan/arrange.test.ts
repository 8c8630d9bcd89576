import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { contains, overlap } from "../base/geometry/index.ts";
import { mm, um } from "../base/length/index.ts";
import { paperById } from "../catalogue/paper/index.ts";
import { applyEdit } from "../edit/index.ts";
import type { Job } from "../job/index.ts";
import { freshJob } from "../kinds/index.ts";
import { dragged } from "../photo/crop/index.ts";
import { sums } from "../report/sums/index.ts";
import { arrange } from "./arrange.ts";
import { holdOf, onPiece } from "./index.ts";

const photos = { a: { width: 4000, height: 6000 }, b: { width: 6000, height: 4000 } };
const paper = (id: string) => {
  const { name, width, height } = paperById(id);
  return { do: "sheet", change: { paper: { name, width, height } } } as const;
};
const badges = (): Job =>
  applyEdit(freshJob("copies", "Badges"), {
    do: "add photos",
    photos: [
      { id: "a", name: "a.jpg" },
      { id: "b", name: "b.jpg" },
    ],
  });
const only = (job: Job) => {
  const sheets = arrange(job, photos);
  expect(sheets).toHaveLength(1);
  return sheets[0]!;
};

describe("arrange, copies of one photo", () => {
  it("puts 4 × 2 of 35 × 45 mm on 10 × 15 cm paper on its side, centred, 1800 × 1200 px", () => {
    // left over: (152.4 − 4·35 − 3·2)/2 = 3.2 mm at the sides, (101.6 − 2·45 − 2)/2 = 4.8 mm at the ends
    const sheet = only(badges());
    expect(sheet.pixels).toEqual({ width: 1800, height: 1200 });
    expect(sheet.cells.map(({ finished: { x, y } }) => [x, y])).toEqual([
      [3200, 4800],
      [40_200, 4800],
      [77_200, 4800],
      [114_200, 4800],
      [3200, 51_800],
      [40_200, 51_800],
      [77_200, 51_800],
      [114_200, 51_800],
    ]);
    expect(sheet.cells.every(({ finished }) => finished.width === 35_000 && finished.height === 45_000)).toBe(
      true,
    );
  });

  it("sums up what a practitioner would work out", () => {
    const job = badges();
    const result = sums(job, photos, arrange(job, photos));
    const without = applyEdit(job, { do: "remove cells", cells: ["1"] });
    expect(sums(without, photos, arrange(without, photos)).pieces).toBe(result.pieces - 1);
    expect(result.layout).toMatchObject({ columns: 4, rows: 2, pieces: 8 });
    expect(result.leftOver).toEqual({ left: 3200, right: 3200, top: 4800, bottom: 4800 });
    expect(result.used).toBeCloseTo((8 * 35 * 45) / (152.4 * 101.6), 9); // 81.4 %
    expect(result.price.perSheet).toBeCloseTo(0.05 + 17 * 0.1524 * 0.1016, 9); // 0.31
    expect(result.price.perPiece).toBeCloseTo(result.price.perSheet / 8, 9);
  });

  it("fills other paper with as many as fit, or keeps the number that was asked for", () => {
    const a4 = applyEdit(badges(), paper("a4"));
    // lying: (297 + 2)/37 = 8.08, (210 + 2)/47 = 4.5, 32; upright: 5 × 6 = 30
    expect(only(a4).cells).toHaveLength(32);
    const asked = only(applyEdit(a4, { do: "ticket", change: { copies: 8 } }));
    expect(asked.cells).toHaveLength(8);
    // 4 × 2 of them, centred: (297 − 146)/2 = 75.5
    expect(asked.cells[0]!.finished).toMatchObject({ x: 75_500, y: 59_000 });
  });

  it("takes a second sheet for more than fit on one, on the same grid", () => {
    const sheets = arrange(applyEdit(badges(), { do: "ticket", change: { copies: 10 } }), photos);
    expect(sheets.map(({ cells }) => cells.length)).toEqual([8, 2]);
    expect(sheets[1]!.cells.map(({ key, number }) => [key, number])).toEqual([
      ["9", 1],
      ["10", 2],
    ]);
    expect(sheets[1]!.cells[0]!.finished).toEqual(sheets[0]!.cells[0]!.finished);
  });

  it("shows one shot the same in all cells, and another photo where one was put in one cell", () => {
    let job = applyEdit(badges(), {
      do: "shot",
      shot: "1",
      change: { scale: 2, centre: { x: 0.4, y: 0.6 } },
    });
    const same = only(job).cells.map(({ picture, finished }) => [
      picture!.placed.x - finished.x,
      picture!.placed.y - finished.y,
      picture!.placed.width,
    ]);
    expect(new Set(same.map(String)).size).toBe(1);
    job = applyEdit(job, { do: "put in one", cell: "3", photo: "b" });
    expect(only(job).cells.map(({ photo }) => photo)).toEqual(["a", "a", "b", "a", "a", "a", "a", "a"]);
    expect(only(applyEdit(job, { do: "back to computed", cell: "3" })).cells[2]!.photo).toBe("a");
  });

  it("keeps a hand-made crop when paper, ppi and margins change", () => {
    const crop = { scale: 1.5, centre: { x: 0.45, y: 0.4 } };
    const by = (job: Job) => only(job).cells[0]!;
    const before = applyEdit(badges(), { do: "shot", shot: "1", change: crop });
    const after = applyEdit(applyEdit(before, paper("a4")), { do: "target", change: { ppi: 600 } });
    const inCell = ({ picture, finished }: ReturnType<typeof by>) => ({
      x: picture!.placed.x - finished.x,
      y: picture!.placed.y - finished.y,
    });
    expect(inCell(by(after))).toEqual(inCell(by(before)));
    expect(by(after).byHand).toBe(true);
  });

  it("turns pieces on paper that stays upright: 2 × 4, each photo a quarter clockwise with its piece", () => {
    let job = applyEdit(badges(), { do: "sheet", change: { lie: "portrait" } });
    job = applyEdit(job, { do: "ticket", change: { turnPieces: "all" } });
    const sheet = only(job);
    expect(sheet.cells).toHaveLength(8);
    const { finished, picture, turn } = sheet.cells[0]!;
    expect(finished).toMatchObject({ width: 45_000, height: 35_000 });
    expect([turn, picture!.turn]).toEqual([90, 90]);
    // upright the 2 : 3 photo reaches 3.75 mm over the ends; on its side, over left and right
    expect(picture!.placed).toEqual({ x: finished.x - 3750, y: finished.y, width: 52_500, height: 35_000 });
  });

  it("moves the photo of a turned piece by what the pointer moves on the sheet", () => {
    let job = applyEdit(badges(), { do: "sheet", change: { lie: "portrait" } });
    job = applyEdit(job, { do: "ticket", change: { turnPieces: "all" } });
    const before = only(job).cells[0]!;
    const { dx, dy } = onPiece(before, -2000, 0);
    const shot = dragged(holdOf(photos, before)!, dx, dy);
    const after = only(applyEdit(job, { do: "shot", shot: "1", change: shot })).cells[0]!;
    expect(after.picture!.placed.x - before.picture!.placed.x).toBe(-2000);
    expect(after.picture!.placed.y).toBe(before.picture!.placed.y);
    expect(holdOf({}, after)).toBeNull();
  });

  it("prints slack past the finished size, no further than the middle of the gap and the paper's edge", () => {
    const slack = (value: number, gap: number) => {
      const job = applyEdit(badges(), { do: "finish", change: { slack: mm(value) } });
      return only(applyEdit(job, { do: "ticket", change: { gap: mm(gap) } })).cells[0]!;
    };
    const wide = slack(1, 2);
    expect(wide.image).toEqual({
      x: wide.finished.x - 1000,
      y: wide.finished.y - 1000,
      width: 37_000,
      height: 47_000,
    });
    expect(slack(3, 1).image.width).toBe(36_000);
  });

  it("never overlaps cells, never leaves the margins, and always closes: left + cells + gaps + right = paper", () => {
    const length = (least: number, most: number) => fc.integer({ min: least, max: most }).map(um);
    const margin = length(0, 20_000);
    fc.assert(
      fc.property(
        fc.record({ width: length(8_000, 90_000), height: length(8_000, 90_000) }),
        fc.record({ top: margin, right: margin, bottom: margin, left: margin }),
        length(0, 9_000),
        fc.oneof(fc.constant("fit" as const), fc.integer({ min: 1, max: 60 })),
        fc.constantFrom("never" as const, "all" as const, "each" as const),
        (size, margins, gap, copies, turnPieces) => {
          let job = applyEdit(badges(), { do: "ticket", change: { size, gap, copies, turnPieces } });
          job = applyEdit(job, { do: "sheet", change: { margins } });
          for (const sheet of arrange(job, photos)) {
            const inner = {
              x: margins.left,
              y: margins.top,
              width: um(sheet.paper.width - margins.left - margins.right),
              height: um(sheet.paper.height - margins.top - margins.bottom),
            };
            sheet.cells.forEach(({ finished, image }, i) => {
              expect(contains(inner, finished)).toBe(true);
              expect(contains(image, finished)).toBe(true);
              for (const other of sheet.cells.slice(i + 1)) expect(overlap(image, other.image)).toBeNull();
            });
            const row = sheet.cells.filter(({ finished }) => finished.y === sheet.cells[0]!.finished.y);
            // Of mixed blocks a row is no single line; that gaps are kept there is tested with them.
            if (turnPieces === "each") continue;
            row
              .slice(1)
              .forEach(({ finished }, i) =>
                expect(finished.x - row[i]!.finished.x - row[i]!.finished.width).toBe(gap),
              );
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});
