import { area, onItsSide, right, type Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { remembered } from "../../base/remembered.ts";
import { layoutArea, type Job } from "../../job/index.ts";
import { numberedSheet } from "../../schema/index.ts";
import { placedBlock, type BlockPlace } from "../../solve/fit/index.ts";
import { packQuickly, type Packing, type PackPlace, type PackQuestion } from "../../solve/pack/index.ts";
import type { LaidCell, Layout } from "../layout.ts";
import type { KeptPacking } from "./packing.ts";
import { questionKey, type PackedQuestion } from "./question.ts";

const quick = remembered((question: PackQuestion) => packQuickly(question));

/**
 * Pieces of many sizes on the fewest sheets. The arrangement that was searched for is kept in the ticket; where it is an
 * answer to another question, what is found at once is taken, until a search has gone further.
 *
 * `cell` makes the cell of a place that was found; `copy` counts the places of one piece from 1.
 */
export function layOutPacked(
  job: Job,
  { question, papers }: PackedQuestion,
  kept: KeptPacking | null,
  place: BlockPlace,
  cell: (place: PackPlace, copy: number) => LaidCell,
): Layout {
  const packing = keptPacking(kept, question) ?? quick(question);
  const copies = new Map<number, number>();
  const sheets = packing.sheets.map(({ paper, places }, index) => {
    const { paper: own, lying } = papers[paper]!;
    const upright = uprightMostly(job, lying, places);
    const cells = placedBlock(upright.places, layoutArea(job.sheet, upright.lying), place).map((found) => {
      const copy = (copies.get(found.piece) ?? 0) + 1;
      copies.set(found.piece, copy);
      return cell(found, copy);
    });
    return { name: numberedSheet(index + 1), paper: own, lying: upright.lying, cells };
  });
  const perSheet = Math.max(0, ...sheets.map(({ cells }) => cells.length));
  return {
    sheets,
    sums: {
      columns: 0,
      rows: 0,
      perSheet,
      pieces: question.pieces.reduce((sum, { quantity }) => sum + quantity, 0),
      mostPerSheet: perSheet,
      leastSheets: packing.bound.sheets,
      proved: sheets.length <= packing.bound.sheets,
      tooLarge: packing.tooLarge.reduce((sum, index) => sum + question.pieces[index]!.quantity, 0),
    },
  };
}

/**
 * The sheet laid the other way where most of its pieces lie on their side: a quarter back, (x, y) goes to
 * (y, width of the block − x), so that people and their prints are looked at upright.
 *
 *      ┌─────┐        ┌─────────┐
 *      │ ╠══ │        │ ╥ ╥ ╥ ╥ │
 *      │ ╠══ │   →    │ ║ ║ ║ ║ │
 *      │ ╠══ │        └─────────┘
 *      └─────┘
 */
function uprightMostly(
  { sheet }: Job,
  lying: Size,
  places: readonly PackPlace[],
): { lying: Size; places: readonly PackPlace[] } {
  const areaOf = (those: readonly PackPlace[]) => those.reduce((sum, one) => sum + area(one), 0);
  const onSide = places.filter(({ turned }) => turned);
  const other = onItsSide(lying);
  const [room, turnedRoom] = [layoutArea(sheet, lying), layoutArea(sheet, other)];
  const fits = room.width === turnedRoom.height && room.height === turnedRoom.width;
  if (sheet.lie !== "most" || !fits || areaOf(onSide) * 2 <= areaOf(places)) return { lying, places };
  const most = Math.max(...places.map(right));
  return {
    lying: other,
    places: places.map((one) => ({
      ...one,
      x: one.y,
      y: um(most - one.x - one.width),
      ...onItsSide(one),
      turned: !one.turned,
    })),
  };
}

/** An arrangement as a ticket keeps it. */
export const keepPacking = (question: PackQuestion, { sheets }: Packing): KeptPacking => ({
  of: questionKey(question),
  sheets: sheets.map(({ paper, places }) => ({
    paper,
    places: places.map(({ piece, x, y, turned }) => [piece, x, y, turned]),
  })),
});

/** A kept arrangement, when it answers this very question and sets out every piece that fits. */
function keptPacking(kept: KeptPacking | null, question: PackQuestion): Packing | null {
  if (!kept || kept.of !== questionKey(question)) return null;
  const left = question.pieces.map(({ quantity }) => quantity);
  const sheets: Packing["sheets"] = [];
  for (const { paper, places } of kept.sheets) {
    if (!question.papers[paper]) return null;
    sheets.push({
      paper,
      places: places.flatMap(([piece, x, y, turned]) => {
        const own = question.pieces[piece];
        if (!own) return [];
        left[piece]!--;
        return {
          piece,
          x: um(x),
          y: um(y),
          turned,
          ...(turned ? onItsSide(own) : { width: own.width, height: own.height }),
        };
      }),
    });
  }
  const quickly = quick(question);
  const whole = left.every(
    (count, piece) => count === (quickly.tooLarge.includes(piece) ? question.pieces[piece]!.quantity : 0),
  );
  return whole ? { sheets, tooLarge: quickly.tooLarge, price: 0, bound: quickly.bound } : null;
}
