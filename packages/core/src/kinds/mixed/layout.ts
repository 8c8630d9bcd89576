import { nearest, um } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { copyCell, type PhotoId } from "../../schema/index.ts";
import { ticketSlot } from "../flow.ts";
import type { Layout } from "../layout.ts";
import { layOutPacked, packedQuestion, type PackedQuestion } from "../packed/index.ts";
import type { MixedPiece, TicketOf } from "../tickets.ts";

type MixedTicket = TicketOf<"mixed">;

/** Width over height of a photo that is not there yet: 3 : 2. */
const COMMON_PROPORTION = 1.5;

/** Pieces of many sizes on the fewest sheets. */
export const layOutMixed = (job: Job, ticket: MixedTicket, photos: Photos): Layout =>
  layOutPacked(job, mixedQuestion(job, ticket, photos), ticket.packing, ticket.place, (place, copy) => {
    const line = ticket.pieces[place.piece]!;
    const { x, y, width, height } = place;
    return {
      key: copyCell(line.shot, copy),
      ...ticketSlot(job, line.shot, photoOf(line, job)),
      finished: { x, y, width, height },
      turn: place.turned ? 90 : 0,
    };
  });

/** What the job asks the packing. */
export function mixedQuestion(job: Job, ticket: MixedTicket, photos: Photos): PackedQuestion {
  const pieces = ticket.pieces.map((line) => ({
    width: line.width,
    height: heightOf(line, job, photos),
    quantity: line.quantity,
    mayTurn: line.mayTurn,
    photo: line.photo,
  }));
  return packedQuestion(job, pieces, ticket.papers, ticket);
}

/** The finished height of a line: typed, or by its photo's own proportion. */
export function heightOf(line: MixedPiece, job: Job, photos: Photos) {
  if (line.height !== null) return line.height;
  const id = photoOf(line, job);
  const photo = id === null ? undefined : photos[id];
  const proportion = photo ? photo.width / photo.height : COMMON_PROPORTION;
  return um(Math.max(3000, nearest(line.width / proportion)));
}

/** The photo of a line: the one that was chosen, or the one at its place among those of the job. */
const photoOf = ({ photo, order }: MixedPiece, { stash }: Job): PhotoId | null =>
  photo ?? stash[order - 1]?.id ?? null;
