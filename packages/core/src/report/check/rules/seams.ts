import { um, writeMeasure } from "../../../base/length/index.ts";
import { shiftWithin } from "../../../solve/tiles/index.ts";
import type { Job } from "../../../job/index.ts";
import { headsBetween, seamsOf, type Seams } from "../../seams/index.ts";
import type { Finding, Mend, Rule } from "../finding.ts";

/** Sheets after which someone is asked whether they are meant. */
const MANY = 200;

/** Seams that go through a head though they need not, and pages that take more sheets than anyone expects. */
export const seams: Rule = ({ job, photos, sheets, words }) => {
  const writing = { ...words, ppi: job.target.ppi };
  const { tiles } = job.impose;
  const all = seamsOf(job, photos, sheets);
  const apart = sheets.flatMap((page) => between(headsBetween(job, photos, page)));
  return [
    ...apart,
    ...fewer(all, job),
    ...all.flatMap((found): Finding[] => {
      const { tiling, across, down } = found;
      const cut = across.cost.heads + down.cost.heads;
      const left = across.best.cost.heads + down.best.cost.heads;
      const count = tiling.tiles.length;
      const findings: Finding[] = [];
      if (cut > 0) {
        const how = howMoved(found, tiles.shift, (value) => writeMeasure(um(Math.abs(value)), writing));
        const mend: Mend | undefined =
          left < cut && found.isAll
            ? {
                label: `Move seams ${how}`,
                edit: {
                  do: "impose",
                  change: {
                    tiles: { ...tiles, shift: { across: across.best.shift, down: down.best.shift } },
                  },
                },
              }
            : undefined;
        findings.push({
          rule: "seam-through-head",
          level: "look",
          sentence: `${cut === 1 ? "A seam goes" : "Seams go"} through ${cut === 1 ? "a head" : `heads ${cut} times`}. ${left === cut ? "No other way for them to fall spares more; other paper or another size may." : left === 0 ? "They can all be spared." : `${cut - left} can be spared.`}`,
          cells: [],
          mend,
        });
      }
      if (count > MANY) {
        findings.push({
          rule: "many-sheets",
          level: "look",
          sentence: `The page takes ${count} sheets of ${job.impose.paper.name}, ${tiling.columns} × ${tiling.rows}. Larger paper or a smaller page takes fewer.`,
          cells: [],
        });
      }
      return findings;
    }),
  ];
};

/** Heads that a gap between panels hides, or an edge cuts. */
const between = (heads: number): Finding[] =>
  heads === 0
    ? []
    : [
        {
          rule: "head-between-panels",
          level: "look",
          sentence: `${heads === 1 ? "A head lies" : `${heads} heads lie`} across the gap between panels. Move the photo, or let panels be of other sizes.`,
          cells: [],
        },
      ];

/** A page that is spread over a single sheet, though nobody asked for panels or a roll. */
const fewer = (all: readonly Seams[], { impose }: Job): Finding[] =>
  impose.roll || impose.panels || !all.some(({ tiling }) => tiling.tiles.length === 1)
    ? []
    : [
        {
          rule: "spread-over-one",
          level: "look",
          sentence: `The page fits on one sheet of ${impose.paper.name}, so nothing is spread.`,
          cells: [],
        },
      ];

/** "22 mm to the left, 3 mm down" */
function howMoved(
  { across, down }: Seams,
  now: { across: number; down: number },
  write: (value: number) => string,
): string {
  const moved = ({ shifts, best }: Seams["across"], asked: number) => best.shift - shiftWithin(shifts, asked);
  const [x, y] = [moved(across, now.across), moved(down, now.down)];
  const said = [
    x === 0 ? null : `${write(x)} to the ${x > 0 ? "left" : "right"}`,
    y === 0 ? null : `${write(y)} ${y > 0 ? "up" : "down"}`,
  ];
  return said.filter((one) => one !== null).join(" and ");
}
