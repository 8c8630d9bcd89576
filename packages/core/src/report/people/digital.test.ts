import { describe, expect, it } from "vitest";
import { mm } from "../../base/length/index.ts";
import { ruleById } from "../../catalogue/rules/index.ts";
import { applyEdit, type JobEdit } from "../../edit/index.ts";
import { readJob, type Job } from "../../job/index.ts";
import { freshJob } from "../../kinds/index.ts";
import { arrange } from "../../plan/arrange.ts";
import { digitalVersion } from "./index.ts";

const PHOTOS = { ada: { width: 3000, height: 4000 }, ben: { width: 3000, height: 4000 } };

/** Two people by one rule, on paper with margins, marks, an outline and slack, as a studio prints them. */
function studio(rule: string): Job {
  const edits: JobEdit[] = [
    { do: "ticket", change: { rule, rules: [ruleById(rule)] } },
    {
      do: "add photos",
      photos: [
        { id: "ada", name: "ada.jpg" },
        { id: "ben", name: "ben.jpg" },
      ],
    },
    { do: "sheet", change: { margins: { top: mm(3), right: mm(3), bottom: mm(3), left: mm(3) } } },
    { do: "finish", change: { slack: mm(1), outline: { width: mm(0.2), colour: "#808080" } } },
    { do: "shot", shot: "2", change: { scale: 1.4 } },
  ];
  return edits.reduce(applyEdit, freshJob("portraits", "Studio"));
}

const fileOf = (rule: string, shot = 1) => {
  const version = digitalVersion(studio(rule), shot);
  if (!version.ok) throw new Error(version.why);
  return version;
};

describe("a portrait as the file that an office takes", () => {
  /**
   * As few pixels as the rule takes, in the print's proportions:
   *
   *     uk   35 × 45, from 600 × 750: 600 · 9/7 = 771.4
   *     ie   from 715 × 951: 715 wide are 919 high, too few; 740 · 9/7 = 951.4
   *     fi   36 × 47, 500 × 653 alone: 500 · 47/36 = 652.8
   *     kr   413 × 531 alone: 413 · 9/7 = 531
   *     us   square, from 600
   */
  it.each([
    ["uk-passport", 600, 771],
    ["ie-passport", 740, 951],
    ["fi-passport", 500, 653],
    ["kr-passport", 413, 531],
    ["us-visa", 600, 600],
  ])("by %s is %d × %d pixels, one piece from edge to edge", (rule, width, height) => {
    const sheets = arrange(fileOf(rule).job, PHOTOS);
    expect(sheets).toHaveLength(1);
    expect(sheets[0]!.pixels).toEqual({ width, height });
    expect(sheets[0]!.marks).toEqual([]);
    expect(sheets[0]!.cells).toHaveLength(1);
    const { size } = ruleById(rule);
    expect(sheets[0]!.cells[0]!.finished).toEqual({ x: 0, y: 0, ...size });
    expect(sheets[0]!.cells[0]!.outline).toBeNull();
  });

  it("is of whom it is asked for, cropped as the print is", () => {
    const job = studio("uk-passport");
    const printed = arrange(job, PHOTOS)
      .flatMap(({ cells }) => cells)
      .find(({ shot }) => shot === "2")!;
    const [{ cells }] = arrange(fileOf("uk-passport", 2).job, PHOTOS) as [ReturnType<typeof arrange>[number]];
    expect(cells[0]).toMatchObject({ shot: "2", photo: "ben" });
    expect(cells[0]!.sits).toEqual(printed.sits);
  });

  it("is a job that reads back, and leaves the one it came from as it was", () => {
    const job = studio("uk-passport");
    const before = structuredClone(job);
    const version = digitalVersion(job, 1);
    expect(version.ok && readJob(version.job).ok).toBe(true);
    expect(job).toEqual(before);
  });

  it("says how many bytes the office takes", () => {
    // HM Passport Office: at least 50 kB, no more than 10 MB.
    expect(fileOf("uk-passport").bytes).toEqual({ from: 50 * 1024, to: 10 * 1024 * 1024 });
  });

  it.each([
    ["de-passport", 1, /says nothing of a file; print it/],
    // 40 × 50 mm are 4 : 5, 1200 × 1600 pixels 3 : 4.
    ["hk-passport", 1, /other proportions than the print of 40 × 50 mm/],
    ["uk-passport", 9, /nobody of this number/],
  ])("by %s, of number %d, is refused in a sentence", (rule, shot, why) => {
    expect(digitalVersion(studio(rule), shot)).toEqual({ ok: false, why: expect.stringMatching(why) });
  });

  it("is of no job but one of document photos", () => {
    expect(digitalVersion(freshJob("copies", "Badges"), 1)).toMatchObject({ ok: false });
  });
});
