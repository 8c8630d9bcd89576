import { area } from "../../base/geometry/index.ts";
import { paperPrice, type Job } from "../../job/index.ts";
import { tilingsOf } from "../../solve/slots/index.ts";
import { seamLength, type SpreadPage, type Tiling } from "../../solve/tiles/index.ts";

/** A page spread over sheets of one paper that lie one way. */
export interface OnPaper {
  paper: Job["impose"]["paper"];
  lie: "portrait" | "landscape";
  sheets: number;
  /** Share of all paper that is not the finished page, 0…1. */
  waste: number;
  price: number;
  /** Joints between two sheets; how long all seams are together, in µm; and places where four sheets meet. */
  joints: number;
  seams: number;
  meet: number;
}

/** A page over each of these papers, both ways to lie; those without room for their joints are left out. */
export const spreadOnPapers = (
  job: Job,
  page: SpreadPage,
  papers: readonly Job["impose"]["paper"][],
): OnPaper[] =>
  papers.flatMap((paper) =>
    (["portrait", "landscape"] as const).flatMap((lie): OnPaper[] => {
      const tilings = tilingsOf(
        { ...job.impose, roll: false, paper, lie },
        page,
        job.target.printer.unprintable,
      );
      if (!tilings) return [];
      const sum = (of: (tiling: Tiling) => number) => tilings.reduce((all, tiling) => all + of(tiling), 0);
      const sheets = sum(({ tiles }) => tiles.length);
      return [
        {
          paper,
          lie,
          sheets,
          waste: 1 - sum(({ piece }) => area(piece.whole)) / (sheets * area(paper)),
          price: sheets * paperPrice(job, paper),
          joints: sum(({ columns, rows }) => (columns - 1) * rows + columns * (rows - 1)),
          seams: sum(seamLength),
          meet: sum(({ columns, rows }) => (columns - 1) * (rows - 1)),
        },
      ];
    }),
  );
