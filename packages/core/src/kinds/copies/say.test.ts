import { expect, it } from "vitest";
import { mm, um } from "../../base/length/index.ts";
import { applyEdit } from "../../edit/index.ts";
import type { Job } from "../../job/index.ts";
import { freshJob, kindOf, layOut } from "../index.ts";

const said = (job: Job, unit: "mm" | "in" = "mm", locale = "en-GB") =>
  kindOf(job)
    .say(job, { unit, locale }, layOut(job, {}).sums)
    .map(({ text }) => text)
    .join("")
    .replaceAll("\u00a0", " ");

it("says the whole sheet in one sentence", () => {
  let job = applyEdit(freshJob("copies", "Badges"), { do: "ticket", change: { copies: 8 } });
  job = applyEdit(job, {
    do: "finish",
    change: { outline: { width: um(200), colour: "#9a9a9a" }, slack: mm(1) },
  });
  expect(said(job)).toBe(
    "Put 8 copies at 35 × 45 mm on 10 × 15 cm paper, turned to fit the most, 2 mm apart and centred inside no margins, with corner ticks to cut by, a 0.2 mm grey outline and 1 mm of slack, finished plainly, for Lab, lustre at 300 ppi, a page to a sheet.",
  );
});

it("says how many fit, and uneven margins as such", () => {
  let job = applyEdit(freshJob("copies", "Badges"), {
    do: "sheet",
    change: { margins: { top: mm(3), bottom: mm(12), left: mm(3), right: mm(3) } },
  });
  job = applyEdit(job, { do: "finish", change: { marks: { ...job.finish.marks, kind: "none" } } });
  // upright: (101.6 − 6 + 2)/37 = 2.6 by (152.4 − 15 + 2)/47 = 2.97; on its side 3.9 (+ 4 sides) by 1: 4 either way
  expect(said(job)).toContain("Put as many as fit (4) copies at");
  expect(said(job)).toContain("inside uneven margins, with no marks to cut by, no outline and no slack");
});

it("says figures in the reader's unit and country", () => {
  expect(said(freshJob("copies", "Badges", "en-US"), "in", "en-US")).toContain(
    "at 2 × 2 in on 4 × 6 in paper",
  );
  const job = applyEdit(freshJob("copies", "Badges"), { do: "ticket", change: { gap: um(2500) } });
  expect(said(job, "mm", "de-DE")).toContain("2,5 mm apart");
});
