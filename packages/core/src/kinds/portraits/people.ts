import type { DocumentRule } from "../../catalogue/rules/index.ts";
import { baseName } from "../../finish/words/index.ts";
import type { Job, NewPhoto, PhotoRef } from "../../job/index.ts";
import { numberedShot, type ShotName } from "../../schema/index.ts";
import type { Person, TicketOf } from "../tickets.ts";

type PortraitsTicket = TicketOf<"portraits">;

/** The ticket of a job of people; null for a job of another kind. */
export const peopleTicket = ({ ticket }: Pick<Job, "ticket">): PortraitsTicket | null =>
  ticket.kind === "portraits" ? ticket : null;

/** Whose sheets are apart, by their shots; null where people share sheets. */
export const owners = ({ sheets, people }: PortraitsTicket): ReadonlyMap<ShotName, string> | undefined =>
  sheets === "per person"
    ? new Map(people.map((person) => [numberedShot(person.shot), personName(person)]))
    : undefined;

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

const nameAfter = ({ name }: NewPhoto): string => baseName(name).slice(0, 120);

/** Whether a person is called after the file of a photo, because nobody said their name. */
const isNamedAfter = ({ name }: Person, photo: NewPhoto): boolean => name === nameAfter(photo);

/** The person with another photo; a name that was only the file’s is that of the new one. */
const shownBy = (one: Person, before: NewPhoto, to: NewPhoto): Person => ({
  ...one,
  photo: to.id,
  name: isNamedAfter(one, before) ? nameAfter(to) : one.name,
});

/**
 * Someone whose photo is another one is shown by that. Whose photo is gone stays listed without one; who was listed by the
 * photo alone goes with it, or blank pieces would be left.
 */
export function withoutPhoto(ticket: PortraitsTicket, photo: NewPhoto, to: NewPhoto | null): PortraitsTicket {
  const people = ticket.people.flatMap((one): Person[] => {
    if (one.photo !== photo.id) return [one];
    if (to) return [shownBy(one, photo, to)];
    const { number, rule, quantity } = one;
    const byPhotoAlone = isNamedAfter(one, photo) && number === "" && rule === null && quantity === null;
    return byPhotoAlone ? [] : [{ ...one, photo: null }];
  });
  return { ...ticket, people };
}

/** Everybody shown by one photo. */
export function showInAll(
  { people }: PortraitsTicket,
  photo: NewPhoto,
  stash: readonly PhotoRef[],
): { people: Person[] } {
  return {
    people: people.map((one) => {
      const before = stash.find(({ id }) => id === one.photo);
      return before ? shownBy(one, before, photo) : { ...one, photo: photo.id };
    }),
  };
}
