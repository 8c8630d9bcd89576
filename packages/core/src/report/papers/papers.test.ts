import fc from "fast-check";
import { expect, it } from "vitest";
import { mm, um } from "../../base/length/index.ts";
import { PAPERS } from "../../catalogue/paper/index.ts";
import { applyEdit } from "../../edit/index.ts";
import { freshJob } from "../../kinds/index.ts";
import { spreadOnPapers } from "./index.ts";

/** What a person would count: sheet after sheet, until the page is covered. */
function counted(length: number, room: number, joints: number): number | null {
  if (room >= length) return 1;
  if (room - joints < 5000) return null;
  let [sheets, covered] = [1, room];
  while (covered < length) {
    covered += room - joints;
    sheets++;
  }
  return sheets;
}

it("finds for every paper, both ways to lie, what counting sheet by sheet finds", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 20_000, max: 6_000_000 }),
      fc.integer({ min: 20_000, max: 3_000_000 }),
      fc.integer({ min: 0, max: 30_000 }),
      fc.constantFrom("glue" as const, "butt" as const),
      (width, height, overlap, joint) => {
        const start = freshJob("mural", "Wall");
        const job = applyEdit(start, {
          do: "impose",
          change: { margin: mm(6), tiles: { ...start.impose.tiles, overlap: um(overlap), joint } },
        });
        const page = { width: um(width), height: um(height), bleed: um(0) };
        const found = spreadOnPapers(job, page, PAPERS);
        const joints = joint === "butt" ? 2 * overlap : overlap;
        const { top, right, bottom, left } = job.target.printer.unprintable;
        const most = Math.max(top, right, bottom, left);
        expect(most).toBeLessThanOrEqual(mm(6));
        for (const paper of PAPERS) {
          for (const lie of ["portrait", "landscape"] as const) {
            const long = Math.max(paper.width, paper.height);
            const short = Math.min(paper.width, paper.height);
            const [across, down] = lie === "portrait" ? [short, long] : [long, short];
            const columns = counted(width, across - 2 * mm(6), joints);
            const rows = counted(height, down - 2 * mm(6), joints);
            const own = found.find((one) => one.paper.name === paper.name && one.lie === lie);
            if (columns === null || rows === null || columns * rows > 10_000) expect(own).toBeUndefined();
            else {
              const sheets = columns * rows;
              expect(own).toMatchObject({
                sheets,
                meet: (columns - 1) * (rows - 1),
              });
              expect(own!.waste).toBeCloseTo(1 - (width * height) / (sheets * across * down), 9);
              // Each column has a joint below each sheet but the last, each row one beside.
              expect(own!.joints).toBe(2 * sheets - columns - rows);
            }
          }
        }
      },
    ),
    { numRuns: 150 },
  );
});
