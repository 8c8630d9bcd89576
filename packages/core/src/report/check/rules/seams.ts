import { um, writeMeasure } from "../../../base/length/index.ts";
import { shiftWithin } from "../../../solve/tiles/index.ts";
import { seamsOf, type Seams } from "../../seams/index.ts";
import type { Finding, Mend, Rule } from "../finding.ts";

/** Sheets after which someone is asked whether they are meant. */
const MANY = 200;

/** Seams that go through a head though they need not, and pages that take more sheets than anyone expects. */
export const seams: Rule = ({ job, photos, sheets, words }) => {
  const writing = { ...words, ppi: job.target.ppi };
  const { tiles } = job.impose;
  return seamsOf(job, photos, sheets).flatMap((found): Finding[] => {
    const { tiling, across, down } = found;
    const cut = across.cost.heads + down.cost.heads;
    const left = across.best.cost.heads + down.best.cost.heads;
    const count = tiling.tiles.length;
    const findings: Finding[] = [];
    if (cut > 0) {
      const how = howMoved(found, tiles.shift, (value) => writeMeasure(um(Math.abs(value)), writing));
      const mend: Mend | undefined =
        left < cut
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
    if (count === 1) {
      findings.push({
        rule: "spread-over-one",
        level: "look",
        sentence: `The page fits on one sheet of ${job.impose.paper.name}, so nothing is spread.`,
        cells: [],
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
  });
};

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
