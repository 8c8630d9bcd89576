import { area, waysToLie } from "../../base/geometry/index.ts";
import { writeNumber, writeSize } from "../../base/length/index.ts";
import { PAPERS } from "../../catalogue/paper/index.ts";
import { layoutArea, type Job } from "../../job/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { fitGrid } from "../../solve/fit/index.ts";
import type { KindFinding, Looked } from "../finding.ts";
import type { TicketOf } from "../tickets.ts";

/** More small pieces would fit on the paper than are ever laid on one sheet. */
export function mostPieces(
  _job: Job,
  { copies }: TicketOf<"copies">,
  { layout, words }: Looked,
): KindFinding[] {
  const { mostPerSheet } = layout.sums;
  if (copies !== "fit" || mostPerSheet <= LIMITS.copies.most) return [];
  const number = (value: number) => writeNumber(value, words.locale, 0, 0);
  return [
    {
      rule: "most-pieces",
      level: "look",
      sentence: `${number(mostPerSheet)} pieces would fit, and ${number(LIMITS.copies.most)} are laid: that is the most on one sheet. Take smaller paper, or larger pieces.`,
    },
  ];
}

/** The piece is larger than what the margins leave of the paper. Offers the smallest paper that takes it. */
export function tooLargePiece(
  job: Job,
  { size, gap }: TicketOf<"copies">,
  { layout, words }: Looked,
): KindFinding[] {
  if (layout.sums.mostPerSheet > 0) return [];
  const piece = writeSize(size, { ...words, ppi: job.target.ppi });
  const holds = (sheet: Job["sheet"]) =>
    waysToLie(sheet, sheet.paper).some(
      (lying) => fitGrid({ piece: size, area: layoutArea(sheet, lying), gap }, "upright").count > 0,
    );
  const fits = [...PAPERS]
    .sort((a, b) => area(a) - area(b))
    .map(({ name, width, height }) => ({ name, width, height }))
    .find((paper) => holds({ ...job.sheet, paper, lie: "most" }));
  return [
    {
      rule: "nothing-fits",
      level: "wrong",
      sentence: `Not one piece of ${piece} fits on ${job.sheet.paper.name} paper inside these margins, so there is no sheet. Take a larger paper, a smaller piece or smaller margins.`,
      ...(fits && { mend: { label: `Take ${fits.name} paper`, sheet: { paper: fits, lie: "most" } } }),
    },
  ];
}
