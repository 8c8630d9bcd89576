import { fitGrid } from "../../fit/index.ts";
import { area, onItsSide } from "../../geometry/index.ts";
import { writeSize } from "../../length/index.ts";
import { PAPERS } from "../../paper/index.ts";
import type { Rule } from "../finding.ts";

/** The piece is larger than what the margins leave of the paper. Offers the smallest paper that takes it. */
export const nothingFits: Rule = ({ job, sheets, words }) => {
  if (sheets.length > 0) return [];
  const { ticket, sheet } = job;
  const piece = writeSize(ticket.size, { ...words, ppi: sheet.ppi });
  const fits = [...PAPERS]
    .sort((a, b) => area(a) - area(b))
    .find((paper) =>
      [paper, onItsSide(paper)].some(
        (lying) =>
          fitGrid({ piece: ticket.size, paper: lying, margins: sheet.margins, gap: ticket.gap }, "upright")
            .count > 0,
      ),
    );
  return [
    {
      rule: "nothing-fits",
      level: "wrong",
      sentence: `Not one piece of ${piece} fits on ${sheet.paper.name} paper inside these margins, so there is no sheet. Take a larger paper, a smaller piece or smaller margins.`,
      cells: [],
      mend: fits && {
        label: `Take ${fits.name} paper`,
        edit: {
          do: "sheet",
          change: { paper: { name: fits.name, width: fits.width, height: fits.height }, lie: "most" },
        },
      },
    },
  ];
};
