import { um, writeLength, writeMeasure } from "../../../base/length/index.ts";
import type { Rule } from "../finding.ts";

/** Slack of two neighbours that would run into each other. */
export const slackInGap: Rule = ({ job, sheets, words }) => {
  const { slack } = job.finish;
  const { gap } = job.ticket;
  // Cells that were put by hand are each cut back to their own neighbours; the ticket's gap is not theirs.
  const neighbours = sheets.some(({ cells }) => cells.filter(({ placed }) => !placed).length > 1);
  if (slack * 2 <= gap || !neighbours) return [];
  const writing = { ...words, ppi: job.target.ppi };
  const left = um(Math.floor(gap / 2));
  return [
    {
      rule: "slack-in-gap",
      level: "look",
      sentence: `Pieces are ${writeLength(gap, writing)} apart, so only ${writeMeasure(left, writing)} of the ${writeLength(slack, writing)} slack is printed between them.`,
      cells: [],
      mend: {
        label: `Set them ${writeLength(um(slack * 2), writing)} apart`,
        edit: { do: "ticket", change: { gap: um(slack * 2) } },
      },
    },
  ];
};
