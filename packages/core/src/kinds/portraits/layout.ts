import { onItsSide, type Rect, type Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { copyCell, numberedSheet } from "../../schema/index.ts";
import type { PackPlace } from "../../solve/pack/index.ts";
import { ticketSlot } from "../flow.ts";
import type { LaidCell, Layout } from "../layout.ts";
import { layOutPacked, packedQuestion, type PackedQuestion } from "../packed/index.ts";
import type { Person, TicketOf } from "../tickets.ts";
import { NAME_STRIP, personName, quantityOf, ruleFor } from "./people.ts";

type PortraitsTicket = TicketOf<"portraits">;

/** Everyone's pieces, packed together or on sheets of their own for each. */
export function layOutPortraits(job: Job, ticket: PortraitsTicket): Layout {
  if (ticket.sheets === "packed") {
    return layOutPacked(
      job,
      portraitsQuestion(job, ticket),
      ticket.packing,
      ticket.place,
      cellsOf(job, ticket, ticket.people),
    );
  }
  const each = ticket.people.map((someone) =>
    layOutPacked(
      job,
      portraitsQuestion(job, ticket, [someone]),
      null,
      ticket.place,
      cellsOf(job, ticket, [someone]),
    ),
  );
  const sum = (of: (layout: Layout) => number) => each.reduce((total, layout) => total + of(layout), 0);
  const perSheet = Math.max(0, ...each.map(({ sums }) => sums.perSheet));
  return {
    sheets: each
      .flatMap(({ sheets }) => sheets)
      .map((sheet, i) => ({ ...sheet, name: numberedSheet(i + 1) })),
    sums: {
      columns: 0,
      rows: 0,
      perSheet,
      pieces: sum(({ sums }) => sums.pieces),
      mostPerSheet: perSheet,
      tooLarge: sum(({ sums }) => sums.tooLarge ?? 0),
    },
  };
}

/** What the job asks the packing: a piece a person, with the strip for their name. */
export function portraitsQuestion(
  job: Job,
  ticket: PortraitsTicket,
  people: readonly Person[] = ticket.people,
): PackedQuestion {
  const pieces = people.map((someone) => {
    const { width, height } = ruleFor(ticket, someone).size;
    return {
      width,
      height: um(height + (ticket.names ? NAME_STRIP : 0)),
      quantity: quantityOf(job, ticket, someone),
      mayTurn: true,
      photo: someone.photo,
    };
  });
  return packedQuestion(job, pieces, [], { gap: ticket.gap, cuts: ticket.cuts, aim: "sheets" });
}

const cellsOf =
  (job: Job, ticket: PortraitsTicket, people: readonly Person[]) =>
  (place: PackPlace, copy: number): LaidCell => {
    const someone = people[place.piece]!;
    return {
      key: copyCell(someone.shot, copy),
      ...ticketSlot(job, someone.shot, someone.photo),
      finished: photoIn(place, ruleFor(ticket, someone).size),
      turn: place.turned ? 90 : 0,
      ...(ticket.names && { caption: personName(someone) }),
    };
  };

/**
 * Where the photo lies in its piece; what is left of the piece is the strip for the name.
 *
 *      ┌───────┐        ┌─┬───────┐
 *      │ photo │        │n│ photo │  laid on its side, a quarter clockwise
 *      ├───────┤        └─┴───────┘
 *      │ name  │
 *      └───────┘
 */
function photoIn({ x, y, width, turned }: PackPlace, size: Size): Rect {
  if (!turned) return { x, y, width: size.width, height: size.height };
  const lying = onItsSide(size);
  return { x: um(x + width - lying.width), y, ...lying };
}
