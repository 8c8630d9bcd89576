import { baseName } from "../../words/index.ts";
import type { PhotoRef } from "../../job/index.ts";
import type { DocumentRule } from "../../rules/index.ts";
import type { Person, TicketOf } from "../tickets.ts";

type PortraitsTicket = TicketOf<"portraits">;

/** The rule that someone's photos have to meet. */
export function ruleFor(ticket: PortraitsTicket, someone: Pick<Person, "rule"> | undefined): DocumentRule {
  const id = someone?.rule ?? ticket.rule;
  const named = (wanted: string) => ticket.rules.find((rule) => rule.id === wanted);
  return named(id) ?? named(ticket.rule) ?? ticket.rules[0]!;
}

/** How many of someone are printed. */
export const quantityOf = (ticket: PortraitsTicket, { quantity }: Person): number =>
  quantity ?? ticket.copies;

/** What someone is called where a name is wanted. */
export const personName = ({ name, number, shot }: Person): string => name || number || `Person ${shot}`;

/** A shot number that nobody has. */
export const nextShot = (people: readonly Person[]): number =>
  Math.max(0, ...people.map(({ shot }) => shot)) + 1;

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * Photos that were added: someone who is listed by the name or number of the file gets it, every other photo is someone
 * new.
 */
export function withPhotos(ticket: PortraitsTicket, added: readonly PhotoRef[]): PortraitsTicket {
  const people = [...ticket.people];
  for (const { id, name } of added) {
    const base = baseName(name);
    const waiting = people.findIndex(
      (one) => one.photo === null && [one.name, one.number].some((own) => own !== "" && same(own, base)),
    );
    if (waiting !== -1) people[waiting] = { ...people[waiting]!, photo: id };
    else
      people.push({
        shot: nextShot(people),
        name: base.slice(0, 120),
        number: "",
        photo: id,
        rule: null,
        quantity: null,
      });
  }
  return { ...ticket, people };
}

/** Someone whose photo is gone stays listed without one; who was listed by the photo alone goes with it. */
export function withoutPhoto(ticket: PortraitsTicket, photo: string, to: PhotoRef | null): PortraitsTicket {
  const people = ticket.people.map((one) => (one.photo === photo ? { ...one, photo: to?.id ?? null } : one));
  return { ...ticket, people };
}
