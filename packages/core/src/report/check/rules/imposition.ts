import { um, writeMeasure, writeSize } from "../../../base/length/index.ts";
import { pagesOnSheets } from "../../../job/index.ts";
import type { Finding, Rule } from "../finding.ts";

/** Pages that fit on no sheet of the paper that the printer takes, and bleed that has no room between them. */
export const imposition: Rule = ({ job, sheets, words }) => {
  const { impose, target } = job;
  if (impose.way === "one" || sheets.length === 0) return [];
  const writing = { ...words, ppi: target.ppi };
  const on = pagesOnSheets(
    job,
    sheets.map(({ trim }) => trim),
  );
  const placed = new Set(on.flatMap(({ slots }) => slots.map(({ page }) => page)));
  const left = sheets.filter((_, page) => !placed.has(page));
  const findings: Finding[] = [];
  if (left.length > 0) {
    const size = writeSize(left[0]!.trim, writing);
    const two = impose.way === "spreads" || impose.way === "tent";
    findings.push({
      rule: "page-on-no-sheet",
      level: "wrong",
      sentence: two
        ? `Two pages of ${size} ${impose.way === "tent" ? "back to back" : "beside each other"} do not fit on ${impose.paper.name} paper, so they are on no sheet.`
        : `${left.length === 1 ? "A page" : `${left.length} pages`} of ${size} ${left.length === 1 ? "fits" : "fit"} on no sheet of ${impose.paper.name} paper as the ticket says it. Take larger paper, smaller margins or fewer to a sheet.`,
      cells: [],
      mend: {
        label: "Print each page on a sheet of its own",
        edit: { do: "impose", change: { way: "one" } },
      },
    });
  }
  if (impose.way === "several" && placed.size > 0 && target.bleed * 2 > impose.gap) {
    const gap = um(target.bleed * 2);
    findings.push({
      rule: "bleed-in-gap",
      level: "look",
      sentence: `The bleed of ${writeMeasure(target.bleed, writing)} has no room between pages that lie ${writeMeasure(impose.gap, writing)} apart: it is cut back to the middle, and a cut that is off shows the next page.`,
      cells: [],
      mend: {
        label: `Set pages ${writeMeasure(gap, writing)} apart`,
        edit: { do: "impose", change: { gap } },
      },
    });
  }
  return findings;
};
