import { area, waysToLie } from "../../../base/geometry/index.ts";
import { writeSize } from "../../../base/length/index.ts";
import { PAPERS } from "../../../catalogue/paper/index.ts";
import { layoutArea, type Job } from "../../../job/index.ts";
import type { TicketOf } from "../../../kinds/index.ts";
import { fitGrid } from "../../../solve/fit/index.ts";
import type { Finding, Inspection, Rule } from "../finding.ts";

/** The ticket asks for what its paper cannot hold, so that there is no sheet. */
export const nothingFits: Rule = (inspection) => {
  const { job, sheets } = inspection;
  if (sheets.length > 0) return [];
  const { ticket } = job;
  // Nothing to show is no want of room: what the filter leaves out is told of by itself.
  if (inspection.layout.sums.pieces === 0 && ticket.kind !== "copies" && ticket.kind !== "mixed") return [];
  if (ticket.kind === "copies")
    return inspection.layout.sums.mostPerSheet > 0 ? [] : [tooLargePiece(inspection, ticket)];
  if (ticket.kind === "mixed" && ticket.pieces.length === 0) {
    return [wrong("There are no pieces in the ticket yet. Add a size to it and say how many.")];
  }
  const trim = job.sheet.trim ? " The finished sheet may be larger than the paper." : "";
  return [
    wrong(
      `Margins, border and gaps leave no room for a cell on ${job.sheet.paper.name} paper, so there is no sheet. Make them smaller, or take larger paper.${trim}`,
    ),
  ];
};

const wrong = (sentence: string): Finding => ({ rule: "nothing-fits", level: "wrong", sentence, cells: [] });

/** The piece is larger than what the margins leave of the paper. Offers the smallest paper that takes it. */
function tooLargePiece({ job, words }: Inspection, { size, gap }: TicketOf<"copies">): Finding {
  const piece = writeSize(size, { ...words, ppi: job.target.ppi });
  const holds = (sheet: Job["sheet"]) =>
    waysToLie(sheet, sheet.paper).some(
      (lying) => fitGrid({ piece: size, area: layoutArea(sheet, lying), gap }, "upright").count > 0,
    );
  const fits = [...PAPERS]
    .sort((a, b) => area(a) - area(b))
    .map(({ name, width, height }) => ({ name, width, height }))
    .find((paper) => holds({ ...job.sheet, paper, lie: "most" }));
  return {
    ...wrong(
      `Not one piece of ${piece} fits on ${job.sheet.paper.name} paper inside these margins, so there is no sheet. Take a larger paper, a smaller piece or smaller margins.`,
    ),
    mend: fits && {
      label: `Take ${fits.name} paper`,
      edit: { do: "sheet", change: { paper: fits, lie: "most" } },
    },
  };
}
