import { applyEdit, arrange, AS_IT_IS, freshJob, mm, type Job, type JobEdit } from "@wide-quilt/core";
import { describe, expect, it } from "vitest";
import { sightsOf } from "./sights.ts";

const PHOTOS = { a: { width: 3000, height: 4000 }, b: { width: 4000, height: 3000 } } as never;
const edited = (...edits: JobEdit[]): Job => edits.reduce(applyEdit, freshJob("copies", "Sights"));
const cellsOf = (job: Job) => arrange(job, PHOTOS)[0]!.cells;
const photos: JobEdit = {
  do: "add photos",
  photos: [
    { id: "a", name: "a.jpg" },
    { id: "b", name: "b.jpg" },
  ],
};

describe("ways in which cells show a photo", () => {
  it("are one for copies of one photo, measured from the finished corner", () => {
    const cells = cellsOf(edited(photos));
    const sights = sightsOf(cells);
    expect(sights).toHaveLength(1);
    expect(sights[0]!.cells).toHaveLength(8);
    // 35 × 45 mm filled by 3 : 4: 35 mm wide are 46.67 high, 0.83 of it over each end.
    const { placed } = sights[0]!.picture;
    expect(placed.width / 1000).toBeCloseTo(35, 1);
    expect(placed.height / 1000).toBeCloseTo(46.67, 1);
    expect(placed.y / 1000).toBeCloseTo(-0.83, 1);
    expect(sights[0]!.window.width).toBeGreaterThanOrEqual(mm(35));
  });

  it("are two where a cell shows another photo, and empty cells show none", () => {
    const [first] = cellsOf(edited(photos));
    const other = edited(photos, { do: "put in one", cell: first!.key, photo: "b" });
    expect(sightsOf(cellsOf(other)).map(({ photoId, cells }) => [photoId, cells.length])).toEqual([
      ["b", 1],
      ["a", 7],
    ]);
    expect(sightsOf(cellsOf(edited()))).toEqual([]);
  });

  it("keep their key while the sheet is arranged anew, so that nothing is drawn again", () => {
    const job = edited(photos);
    const wider = applyEdit(job, { do: "ticket", change: { gap: mm(3) } });
    expect(sightsOf(cellsOf(wider)).map(({ key }) => key)).toEqual(
      sightsOf(cellsOf(job)).map(({ key }) => key),
    );
  });

  it("are apart where one cell looks different", () => {
    const job = edited(photos);
    const [first] = cellsOf(job);
    const faded = applyEdit(job, {
      do: "style cells",
      cells: [first!.key],
      change: { look: { ...AS_IT_IS, mono: 1 } },
    });
    expect(
      sightsOf(cellsOf(faded))
        .map(({ cells }) => cells.length)
        .sort(),
    ).toEqual([1, 7]);
  });
});
