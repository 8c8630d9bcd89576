import type { Rule } from "../finding.ts";

/** Pieces of a mixed job that lie on none of its papers. */
export const tooLarge: Rule = ({ layout }) => {
  const count = layout.sums.tooLarge ?? 0;
  if (count === 0) return [];
  return [
    {
      rule: "too-large",
      level: "wrong",
      sentence: `${count === 1 ? "One piece fits" : `${count} pieces fit`} on none of the papers inside these margins and ${count === 1 ? "is" : "are"} on no sheet. Add a larger paper, or make the margins or the piece smaller.`,
      cells: [],
    },
  ];
};
