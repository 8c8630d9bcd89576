import { bottom, right } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { lies } from "./lies.ts";
import { Search } from "./search.ts";
import type { PackPlace, PackQuestion, PackSheet } from "./types.ts";

/** Room to keep at every side of the pieces, the most first: what most printers cannot print on is within 5 mm. */
const AIR = [mm(10), mm(5), mm(3)];

/** Above this share of a sheet it is hardly ever to be had, and not looked for. */
const FULL = 0.75;

/**
 * A sheet that is far from full, set anew so that its block leaves room at every side and nothing lies at the paper's
 * edge. The sheet as it was where no such arrangement is found at once.
 *
 *     ┌──────────┐      ┌──────────┐
 *     │▒▒▒▒▒▒▒▒▒▒│      │          │
 *     │▒▒▒▒▒▒▒▒▒▒│      │ ▒▒▒▒▒▒▒  │
 *     │▒▒▒▒      │  →   │ ▒▒▒▒▒▒▒  │
 *     │          │      │ ▒▒▒▒▒▒▒  │
 *     └──────────┘      └──────────┘
 */
export function airy({ pieces, papers, gap }: PackQuestion, sheet: PackSheet): PackSheet {
  const { places } = sheet;
  const paper = papers[sheet.paper]!;
  const left = Math.min(
    paper.width - Math.max(...places.map(right)),
    paper.height - Math.max(...places.map(bottom)),
  );
  const used = places.reduce((sum, { width, height }) => sum + width * height, 0);
  if (used > FULL * paper.width * paper.height) return sheet;
  for (const air of AIR) {
    if (left >= 2 * air) return sheet;
    const room = { width: paper.width - 2 * air, height: paper.height - 2 * air };
    const own = places.map(({ piece }) => pieces[piece]!);
    if (!own.every((piece) => lies(piece, room))) continue;
    const search = new Search(
      {
        widths: own.map(({ width }) => width + gap),
        heights: own.map(({ height }) => height + gap),
        mayTurn: own.map(({ mayTurn }) => mayTurn),
        papers: [{ width: room.width + gap, height: room.height + gap, cost: 1 }],
      },
      1,
    );
    if (search.best.length !== 1) continue;
    return {
      paper: sheet.paper,
      places: search.tidied(search.best[0]!).pieces.map((part): PackPlace => ({
        piece: places[part.holds]!.piece,
        turned: part.turned,
        x: um(part.x),
        y: um(part.y),
        width: um(part.width - gap),
        height: um(part.height - gap),
      })),
    };
  }
  return sheet;
}
