import type { Rule } from "../finding.ts";
import { keysOf } from "../shots.ts";

/** Cells that would come out as bare paper, and cells whose photo is no longer to be had. */
export const emptyCells: Rule = ({ job, sheets }) => {
  const cells = sheets.flatMap((sheet) => sheet.cells);
  const empty = cells.filter(({ photo }) => photo === null);
  const missing = cells.filter(({ photo, picture }) => photo !== null && !picture);
  const first = job.stash[0];
  return [
    ...(empty.length === 0
      ? []
      : [
          {
            rule: "empty-cell",
            level: "wrong" as const,
            sentence: `${plural(empty.length)} no photo and would come out as bare paper.`,
            cells: keysOf(empty),
            // Where some cells have photos, one photo in all of them would be no mend.
            mend:
              (empty.length === cells.length &&
                first && {
                  label: `Put ${first.name} in all`,
                  edit: { do: "put in all" as const, photo: first.id },
                }) ||
              undefined,
          },
        ]),
    ...(missing.length === 0
      ? []
      : [
          {
            rule: "missing-photo",
            level: "wrong" as const,
            sentence: `${plural(missing.length)} a photo whose file is not here. Drop the file in again, or put another photo in.`,
            cells: keysOf(missing),
          },
        ]),
  ];
};

const plural = (count: number) => (count === 1 ? "One cell has" : `${count} cells have`);
