import { onItsSide } from "../../geometry/index.ts";
import type { Job } from "../../job/index.ts";
import { um } from "../../length/index.ts";
import { packQuickly, type Packing, type PackQuestion } from "../../pack/index.ts";
import type { Photos } from "../../plan/index.ts";
import { remembered } from "../../remembered.ts";
import { layoutArea } from "../area.ts";
import { placedBlock } from "../block.ts";
import type { LaidCell, Layout } from "../layout.ts";
import type { TicketOf } from "../tickets.ts";
import { mixedQuestion, questionKey } from "./question.ts";

type MixedTicket = TicketOf<"mixed">;
type Kept = NonNullable<MixedTicket["packing"]>;

const quick = remembered((question: PackQuestion) => packQuickly(question));

/**
 * Pieces of many sizes on the fewest sheets. The arrangement that was searched for stands in the ticket; where it is an
 * answer to another question, what is found at once is taken, until a search has gone further.
 */
export function layOutMixed(job: Job, ticket: MixedTicket, photos: Photos): Layout {
  const { question, papers } = mixedQuestion(job, ticket, photos);
  const packing = keptPacking(ticket.packing, question) ?? quick(question);
  const copies = new Map<number, number>();
  const sheets = packing.sheets.map(({ paper, places }) => {
    const { paper: own, lying } = papers[paper]!;
    const cells = placedBlock(places, layoutArea(job.sheet, lying), ticket.place).map((place): LaidCell => {
      const line = ticket.pieces[place.piece]!;
      const copy = (copies.get(place.piece) ?? 0) + 1;
      copies.set(place.piece, copy);
      const { x, y, width, height } = place;
      return {
        key: `${line.shot}.${copy}`,
        shot: line.shot,
        finished: { x, y, width, height },
        turn: place.turned ? 90 : 0,
        photo: line.photo ?? job.stash[0]?.id ?? null,
      };
    });
    return { paper: own, lying, cells };
  });
  const pieces = ticket.pieces.reduce((sum, { quantity }) => sum + quantity, 0);
  const perSheet = Math.max(0, ...sheets.map(({ cells }) => cells.length));
  return {
    sheets,
    sums: {
      columns: 0,
      rows: 0,
      perSheet,
      pieces,
      mostPerSheet: perSheet,
      leastSheets: packing.bound.sheets,
      proved: sheets.length <= packing.bound.sheets,
      tooLarge: packing.tooLarge.reduce((sum, index) => sum + ticket.pieces[index]!.quantity, 0),
    },
  };
}

/** An arrangement as a ticket keeps it. */
export const keepPacking = (question: PackQuestion, { sheets }: Packing): Kept => ({
  of: questionKey(question),
  sheets: sheets.map(({ paper, places }) => ({
    paper,
    places: places.map(({ piece, x, y, turned }) => [piece, x, y, turned]),
  })),
});

/** A kept arrangement, when it answers this very question and sets out every piece that fits. */
function keptPacking(kept: Kept | null, question: PackQuestion): Packing | null {
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
