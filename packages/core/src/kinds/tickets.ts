import { z } from "zod";
import { artworkTicket } from "./artwork/ticket.ts";
import { calendarTicket } from "./calendar/ticket.ts";
import { collageTicket } from "./collage/ticket.ts";
import { contactTicket } from "./contact/ticket.ts";
import { copiesTicket } from "./copies/ticket.ts";
import { freeTicket } from "./free/ticket.ts";
import { mixedPiece, mixedTicket } from "./mixed/ticket.ts";
import { muralTicket } from "./mural/ticket.ts";
import { person, portraitsTicket } from "./portraits/ticket.ts";
import { rulerTicket } from "./ruler/ticket.ts";
import { singleTicket } from "./single/ticket.ts";
import { stripsTicket } from "./strips/ticket.ts";

const ALL = [
  copiesTicket,
  portraitsTicket,
  mixedTicket,
  singleTicket,
  contactTicket,
  collageTicket,
  calendarTicket,
  muralTicket,
  stripsTicket,
  artworkTicket,
  freeTicket,
  rulerTicket,
] as const;

export const ticketSchema = z.discriminatedUnion("kind", ALL);

export type Ticket = z.infer<typeof ticketSchema>;
export type Kind = Ticket["kind"];
export type TicketOf<K extends Kind> = Extract<Ticket, { kind: K }>;
export type Person = z.infer<typeof person>;
export type MixedPiece = z.infer<typeof mixedPiece>;

type Changes<T> = T extends Ticket ? Partial<Omit<T, "kind">> : never;

/** Some parts of a ticket; only those that its kind has make sense. */
export type TicketChange = Changes<Ticket>;

/** Every part that a ticket of any kind can have. */
export const ticketChangeSchema = z.strictObject(
  Object.fromEntries(
    [...new Set(ALL.flatMap(({ shape }) => Object.keys(shape)))]
      .filter((part) => part !== "kind")
      .map((part) => {
        const schemas = ALL.flatMap(({ shape }) => (shape as Record<string, z.ZodType>)[part] ?? []);
        const [first, ...others] = [...new Set(schemas)];
        return [part, (others.length === 0 ? first! : z.union([first!, ...others])).optional()];
      }),
  ),
) as unknown as z.ZodType<TicketChange, TicketChange>;
