import { bottom, right, type Rect } from "../../base/geometry/index.ts";
import { mm, um, writeLength, writeMeasure } from "../../base/length/index.ts";
import { finishedSheet, type Job } from "../../job/index.ts";
import type { KindFinding, Looked } from "../finding.ts";
import type { TicketOf } from "../tickets.ts";

/**
 * What a knife that is off would spoil. A shot that stops short of the edge needs more white than the knife may be off by,
 * or the white looks uneven; one that runs to the edge must run on past it, or the next strip shows.
 */
export function knife(job: Job, _ticket: TicketOf<"strips">, { layout, words }: Looked): KindFinding[] {
  const { sheet, impose, target } = job;
  const [first] = layout.sheets;
  if (!first) return [];
  const off = um(Math.max(sheet.safe, impose.way === "one" ? 0 : target.printer.mayLose));
  if (off === 0) return [];
  const page = finishedSheet(sheet, first.lying);
  const near = first.cells.map(({ finished }) => toEdge(finished, page));
  const write = { ...words, ppi: target.ppi };
  const findings: KindFinding[] = [];
  const closest = Math.min(...near.filter((by) => by > 0));
  if (closest < off) {
    findings.push({
      rule: "near-the-knife",
      level: "look",
      sentence: `Shots come as near as ${writeMeasure(um(closest), write)} to the cut, which may be off by ${writeLength(off, write)}: what is left beside them would look uneven. Give them a wider border.`,
      mend: { label: `Take a border of ${writeLength(um(2 * off), write)}`, ticket: { border: um(2 * off) } },
    });
  }
  if (impose.way === "several" && impose.gap < 2 * off && near.some((by) => by <= 0)) {
    findings.push({
      rule: "runs-to-the-knife",
      level: "look",
      sentence: `Shots run to the cut, which may be off by ${writeLength(off, write)}, and pages lie ${writeMeasure(impose.gap, write)} apart: a sliver of the next one would show. Give them a border, or put bleed and room between the pages.`,
      mend: {
        label: `Take a border of ${writeLength(um(Math.max(2 * off, mm(3))), write)}`,
        ticket: { border: um(Math.max(2 * off, mm(3))) },
      },
    });
  }
  return findings;
}

/** From a shot to the nearest edge of its page; 0 or less where it reaches it. */
const toEdge = (shot: Rect, page: Rect): number =>
  Math.min(shot.x - page.x, shot.y - page.y, right(page) - right(shot), bottom(page) - bottom(shot));

/** The page leaves no room for its shots. */
export function noRoom(_job: Job, _ticket: TicketOf<"strips">, { layout }: Looked): KindFinding[] {
  if (layout.sheets.length > 0) return [];
  return [
    {
      rule: "nothing-fits",
      level: "wrong",
      sentence:
        "Border, gaps, margins and the room for words leave nothing for the shots, so there is no strip. Make them smaller, or take a larger page.",
      mend: {
        label: "Take narrow borders and no room for words",
        ticket: { border: mm(2), gap: mm(1), room: um(0) },
      },
    },
  ];
}
