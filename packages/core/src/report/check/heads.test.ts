import { describe, expect, it } from "vitest";
import { evenEdges } from "../../base/geometry/index.ts";
import { mm } from "../../base/length/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import type { Job } from "../../job/index.ts";
import { freshJob, type Kind } from "../../kinds/index.ts";
import type { Face } from "../../photo/portrait/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { check } from "./index.ts";

/** An upright head: its middle across, its crown and its height, in shares of the photo. */
const head = (x: number, crown: number, height: number): Face => ({
  crown: { x, y: crown },
  skull: null,
  chin: { x, y: crown + height },
  leftEye: { x: x - 0.02, y: crown + height / 2 },
  rightEye: { x: x + 0.02, y: crown + height / 2 },
  ears: null,
  sure: true,
  pose: null,
});

const group = (...heads: Face[]): Photos => ({
  group: { width: 6000, height: 4000, seen: { heads, by: "found" } },
});

/** One cell of a size on A4, with the group in it. */
function one(kind: Kind, width: number, height: number, ...edits: JobEdit[]): Job {
  const start: JobEdit[] = [
    { do: "add photos", photos: [{ id: "group", name: "group.jpg" }] },
    { do: "ticket", change: { copies: 1, size: { width: mm(width), height: mm(height) } } },
  ];
  return [...start, ...edits].reduce(applyEdit, freshJob(kind, "Heads"));
}

const found = (job: Job, photos: Photos, rule: string) =>
  check(job, photos, arrange(job, photos)).filter((finding) => finding.rule === rule);

describe("heads that a crop cuts", () => {
  const left = group(head(0.12, 0.3, 0.3));

  it("are none where the crop keeps them in", () => {
    expect(found(one("copies", 50, 50), left, "head-cut")).toEqual([]);
  });

  it("are told where an older job crops around the middle, and the crop that keeps them is offered", () => {
    const job: Job = { ...one("copies", 50, 50), crop: "middle" };
    // The middle 4000 of 6000 px: from 1000 on. The head is 888 wide about x 720: from 276 to 1164, 0.82 of it is gone.
    const [finding] = found(job, left, "head-cut");
    expect(finding?.sentence).toBe("The crop of group.jpg cuts the head. Look whether that is meant.");
    expect(finding?.mend?.label).toBe("Keep heads in");
    expect(found(applyEdit(job, finding!.mend!.edit), left, "head-cut")).toEqual([]);
  });

  it("are told where a hand cropped them, and its crop can be given back", () => {
    const shot = arrange(one("copies", 50, 50), left)[0]!.cells[0]!.shot;
    const job = applyEdit(one("copies", 50, 50), {
      do: "shot",
      shot,
      change: { photo: "group", centre: { x: 0.9, y: 0.5 } },
    });
    const [finding] = found(job, left, "head-cut");
    // 0.9 is kept to 0.667: the window begins at 2000 px, and nothing of the head is seen.
    expect(finding?.sentence).toBe("The crop of group.jpg leaves a head out. Look whether that is meant.");
    expect(found(applyEdit(job, finding!.mend!.edit), left, "head-cut")).toEqual([]);
  });

  it("are counted, and the whole photo is offered where no crop holds them all", () => {
    const wide = group(head(0.1, 0.4, 0.2), head(0.5, 0.35, 0.25), head(0.9, 0.4, 0.2));
    const job = one("copies", 30, 60);
    const [finding] = found(job, wide, "head-cut");
    // 2000 of 6000 px about the largest, at x 3000: the others lie at 600 and 5400.
    expect(finding?.sentence).toBe("The crop of group.jpg leaves 2 heads out. Look whether that is meant.");
    expect(finding?.mend?.label).toBe("Show the whole photo");
    expect(found(applyEdit(job, finding!.mend!.edit), wide, "head-cut")).toEqual([]);
  });

  it("are not those that happen to be far behind, nor what the photo itself cuts", () => {
    const far = group(head(0.12, 0.3, 0.3), head(0.95, 0.5, 0.05), head(0.15, -0.1, 0.3));
    expect(found(one("copies", 50, 50), far, "head-cut")).toEqual([]);
  });

  it("are a rule’s matter in document photos", () => {
    const job = one("portraits", 35, 45);
    expect(found(job, group(head(0.5, -0.2, 1.3)), "head-cut")).toEqual([]);
  });
});

describe("heads under something", () => {
  // The lowest head of a photo that is seen whole.
  const low = group(head(0.5, 0.6, 0.38));

  it("are told of words over the photo, which go under it", () => {
    const words: JobEdit = {
      do: "style",
      change: {
        caption: {
          text: "Marram Spit Bird Observatory",
          place: "foot",
          lines: 1,
          type: { font: "hanken", size: mm(6), least: mm(4), colour: "#20242c", align: "middle" },
        },
      },
    };
    const job = one("copies", 90, 60, words);
    const [finding] = found(job, low, "head-covered");
    expect(finding?.sentence).toBe("The words lie over a head of group.jpg.");
    expect(found(applyEdit(job, finding!.mend!.edit), low, "head-covered")).toEqual([]);
    // At the top there is no head.
    const above = { ...words.change.caption!, place: "top" as const };
    expect(found(applyEdit(job, { do: "style", change: { caption: above } }), low, "head-covered")).toEqual(
      [],
    );
  });

  it("are told of a stamp, which goes to the other end of the sheet", () => {
    const photos = group(head(0.5, 0.7, 0.28));
    const job = one("single", 90, 60, {
      do: "graphics",
      graphics: {
        g1: {
          role: "stamp",
          of: { kind: "words", text: "Marram Spit", font: "hanken", colour: "#20242c" },
          width: mm(120),
          at: "bottom",
          away: mm(10),
          turn: 0,
          tiled: false,
          apart: mm(5),
          fit: "whole",
          opacity: 1,
          blend: "normal",
          sheet: null,
        },
      },
    });
    const [finding] = found(job, photos, "head-covered");
    expect(finding?.mend?.label).toBe("Put the stamp at the top");
    expect(found(applyEdit(job, finding!.mend!.edit), photos, "head-covered")).toEqual([]);
  });

  it("are told of another cell, which is given its place back", () => {
    const grid = one("collage", 1, 1, { do: "ticket", change: { way: "grid", columns: 1, rows: 2 } });
    const [sheet] = arrange(grid, low);
    const [upper, lower] = sheet!.cells;
    const over = { sheet: sheet!.id, angle: 0, order: 5, locked: false, proportion: false };
    const job = applyEdit(grid, {
      do: "place",
      cells: { [lower!.key]: { place: { ...over, ...upper!.finished } } },
    });
    // It covers all of the cell: nothing of that is seen, which is no matter of heads.
    expect(found(job, low, "head-covered")).toEqual([]);
    const { x, y, width, height } = upper!.finished;
    const half = { x, y: mm(y / 1000 + height / 2000), width, height: mm(height / 2000) };
    const partly = applyEdit(grid, { do: "place", cells: { [lower!.key]: { place: { ...over, ...half } } } });
    const [finding] = found(partly, low, "head-covered");
    expect(finding?.sentence).toBe("Another cell lies over a head of group.jpg.");
    expect(found(applyEdit(partly, finding!.mend!.edit), low, "head-covered")).toEqual([]);
  });
});

describe("heads at the paper’s edge", () => {
  it("are told where a borderless print may lose them, and the cell is kept away", () => {
    // A photo over all of 10 × 15 cm, enlarged by 4 %: 1.9 mm may be lost at the left and right, and the head begins there.
    const photos = group(head(0.5, 0, 0.3));
    const job = one(
      "single",
      1,
      1,
      { do: "ticket", change: { border: mm(0) } },
      { do: "sheet", change: { margins: evenEdges(mm(0)) } },
      { do: "target", change: { enlarged: 4 } },
    );
    const [finding] = found(job, photos, "head-near-edge");
    expect(finding?.sentence).toMatch(/^A head of group\.jpg lies where .* can lose some of the paper/);
    expect(found(applyEdit(job, finding!.mend!.edit), photos, "head-near-edge")).toEqual([]);
  });
});
