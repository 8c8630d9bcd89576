import { writeNumber } from "../../../base/length/index.ts";
import { LIMITS } from "../../../schema/index.ts";
import type { Rule } from "../finding.ts";

/** More small pieces would fit on the paper than are ever laid on one sheet. */
export const mostPieces: Rule = ({ job, layout, words }) => {
  const { ticket } = job;
  const { mostPerSheet } = layout.sums;
  if (ticket.kind !== "copies" || ticket.copies !== "fit" || mostPerSheet <= LIMITS.copies.most) return [];
  const number = (value: number) => writeNumber(value, words.locale, 0, 0);
  return [
    {
      rule: "most-pieces",
      level: "look",
      sentence: `${number(mostPerSheet)} pieces would fit, and ${number(LIMITS.copies.most)} are laid: that is the most on one sheet. Take smaller paper, or larger pieces.`,
      cells: [],
    },
  ];
};
