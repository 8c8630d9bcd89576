import { writeNumber } from "../../../base/length/index.ts";
import type { Rule } from "../finding.ts";

/** More than this cropped of every photo is no longer "nothing cropped": half a millimetre of ten centimetres. */
const SEEN = 0.005;

/** A collage that was to crop nothing, where gaps, border or paper changed after it was found. */
export const collageCrop: Rule = ({ job, layout, words }) => {
  const { ticket } = job;
  const { crop } = layout.sums;
  if (ticket.kind !== "collage" || ticket.way !== "whole" || crop === undefined || crop <= SEEN) return [];
  const percent = writeNumber(crop * 100, words.locale, 1, 1);
  return [
    {
      rule: "collage-crop",
      level: "look",
      sentence: `To fill the sheet exactly, this arrangement crops ${percent} % of every photo.`,
      cells: [],
      mend: {
        label: "Look for one that crops less",
        edit: {
          do: "ticket",
          change: ticket.arrangement === null ? { proposal: ticket.proposal + 1 } : { arrangement: null },
        },
      },
    },
  ];
};
