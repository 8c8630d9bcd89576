import { um, writeMeasure, writeSize, type WriteOptions } from "../../../base/length/index.ts";
import { pagesOnSheets, type Job } from "../../../job/index.ts";
import type { SheetPlan } from "../../../plan/index.ts";
import { LIMITS } from "../../../schema/index.ts";
import { piecesOf } from "../../../solve/panels/index.ts";
import { LEAST_SHOWN } from "../../../solve/tiles/index.ts";
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
  if (left.length > 0 && impose.way === "tiles") {
    findings.push(notSpread(left[0]!, job, writing));
  } else if (left.length > 0) {
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

/** Why a page cannot be spread: no sheet has room for its joints, or there would be too many. */
function notSpread({ trim }: SheetPlan, { impose }: Job, writing: WriteOptions): Finding {
  const { paper, tiles, panels } = impose;
  if (!piecesOf(trim, panels)) {
    return {
      rule: "page-on-no-sheet",
      level: "wrong",
      sentence: `Panels and the gaps between them, as they are asked for, have no room in a page of ${writeSize(trim, writing)}, so it is on no sheet. Take fewer panels, or let them be smaller or closer.`,
      cells: [],
      mend: { label: "Let it hang in one piece", edit: { do: "impose", change: { panels: null } } },
    };
  }
  const joints = (tiles.joint === "butt" ? 2 : 1) * tiles.overlap;
  const room = Math.min(paper.width, paper.height) - 2 * impose.margin;
  const isNarrow = room - joints < LEAST_SHOWN;
  const overlap = um(Math.min(tiles.overlap, Math.max(0, Math.floor(room / 8000) * 1000)));
  return {
    rule: "page-on-no-sheet",
    level: "wrong",
    sentence: isNarrow
      ? `A sheet of ${paper.name} has no room for joints of ${writeMeasure(um(joints), writing)}, so the page is on no sheet. Take larger paper, narrower joints or smaller margins.`
      : `A page of ${writeSize(trim, writing)} takes more than ${LIMITS.sheets} sheets of ${paper.name}, the most there can be. Take larger paper or a smaller page.`,
    cells: [],
    ...(isNarrow &&
      overlap < tiles.overlap && {
        mend: {
          label: `Let joints be ${writeMeasure(overlap, writing)} wide`,
          edit: { do: "impose", change: { tiles: { ...tiles, overlap } } },
        },
      }),
  };
}
