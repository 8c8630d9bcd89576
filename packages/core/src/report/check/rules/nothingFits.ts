import { kindOf } from "../../../kinds/index.ts";
import type { Rule } from "../finding.ts";
import { asFinding } from "./ofKind.ts";

/** The ticket asks for what its paper cannot hold, so that there is no sheet. */
export const nothingFits: Rule = ({ job, sheets, layout, words }) => {
  if (sheets.length > 0) return [];
  const own = kindOf(job).noSheet(job, { layout, words });
  if (own) return own.map(asFinding);
  // Nothing to show is no want of room: what the filter leaves out is told of by itself.
  if (layout.sums.pieces === 0) return [];
  const trim = job.sheet.trim ? " The finished sheet may be larger than the paper." : "";
  return [
    {
      rule: "nothing-fits",
      level: "wrong",
      sentence: `Margins, border and gaps leave no room for a cell on ${job.sheet.paper.name} paper, so there is no sheet. Make them smaller, or take larger paper.${trim}`,
      cells: [],
    },
  ];
};
