import { waysToLie, type Size } from "../../base/geometry/index.ts";
import { mm, um } from "../../base/length/index.ts";
import { remembered } from "../../base/remembered.ts";
import type { DocumentRule } from "../../catalogue/rules/index.ts";
import { baseName } from "../../finish/words/index.ts";
import { layoutArea, type Job, type NewPhoto, type PhotoRef } from "../../job/index.ts";
import { photosByName } from "../../job/stash/index.ts";
import { LIMITS, numberedShot, type ShotName } from "../../schema/index.ts";
import { holdsOf, type MostQuestion } from "../../solve/fit/index.ts";
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

/** How many of someone are printed: as many as they are to have, or as everyone has. */
export function quantityOf(job: Pick<Job, "sheet">, ticket: PortraitsTicket, someone: Person): number {
  const { copies } = ticket;
  if (someone.quantity !== null) return someone.quantity;
  if (typeof copies === "number") return copies;
  const rule = ruleFor(ticket, someone);
  // Together they may not be more than a job has.
  const most = Math.max(1, Math.floor(LIMITS.pieces / ticket.people.length));
  return Math.min(most, copies === "rule" ? (rule.copies ?? 1) : fitting(job, ticket, rule.size));
}

/** Paper that a name takes under a piece. */
export const NAME_STRIP = mm(4);

/** As many of one size as a sheet holds, at least one: what is too large is said elsewhere. */
function fitting({ sheet }: Pick<Job, "sheet">, { gap, cuts, names }: PortraitsTicket, size: Size): number {
  const piece = { width: size.width, height: um(size.height + (names ? NAME_STRIP : 0)) };
  const counts = waysToLie(sheet, sheet.paper).map((lying) => {
    const { width, height } = layoutArea(sheet, lying);
    return held({ piece, area: { width, height }, gap, cuts });
  });
  return Math.max(1, ...counts);
}

const held = remembered((question: MostQuestion) => holdsOf(question, "each", LIMITS.quantity.most).count);

/** What someone is called where a name is wanted. */
export const personName = ({ name, number, shot }: Person): string => name || number || `Person ${shot}`;

/** Somebody of whom nothing is known yet, with a shot number that nobody has. */
export const newPerson = (people: readonly Person[], known: Partial<Person> = {}): Person => ({
  shot: Math.max(0, ...people.map(({ shot }) => shot)) + 1,
  name: "",
  number: "",
  photo: null,
  rule: null,
  quantity: null,
  ...known,
});

/** Whether somebody who is listed without a photo waits for this one, by its file’s name. */
const waitsFor = ({ photo, file, name, number }: Person, find: ReturnType<typeof photosByName>): boolean =>
  photo === null &&
  // A number that merely ends a file’s name may mean anybody.
  (file === undefined ? [name, number] : [file]).some((own) => (find(own)?.by ?? "number") !== "number");

/**
 * Photos that were added: someone who is listed with the file, or by its name or number, gets it, every other photo is
 * someone new.
 */
export function withPhotos(ticket: PortraitsTicket, added: readonly PhotoRef[]): PortraitsTicket {
  const people = [...ticket.people];
  for (const photo of added) {
    const find = photosByName([photo]);
    const waiting = people.findIndex((one) => waitsFor(one, find));
    if (waiting !== -1) people[waiting] = withPhoto(people[waiting]!, photo.id);
    else people.push(newPerson(people, { name: nameAfter(photo), photo: photo.id }));
  }
  return { ...ticket, people };
}

/** Somebody with a photo: no other is waited for any more. */
export function withPhoto({ file: _file, ...one }: Person, photo: string): Person {
  return { ...one, photo };
}

const nameAfter = ({ name }: NewPhoto): string => baseName(name).slice(0, 120);

/** Whether a person is called after the file of a photo, because nobody said their name. */
const isNamedAfter = ({ name }: Person, photo: NewPhoto): boolean => name === nameAfter(photo);

/** The person with another photo; a name that was only the file’s is that of the new one. */
const shownBy = (one: Person, before: NewPhoto, to: NewPhoto): Person => ({
  ...withPhoto(one, to.id),
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
      return before ? shownBy(one, before, photo) : withPhoto(one, photo.id);
    }),
  };
}

/** The one whose pieces a shot is, shown by another photo; null where it is nobody’s. */
export function showIn(
  { people }: PortraitsTicket,
  shot: ShotName,
  photo: NewPhoto,
  stash: readonly PhotoRef[],
): { people: Person[] } | null {
  const someone = people.find((one) => numberedShot(one.shot) === shot);
  if (!someone) return null;
  const before = stash.find(({ id }) => id === someone.photo);
  const isUnknown = someone.name === "" && someone.number === "";
  const next = before
    ? shownBy(someone, before, photo)
    : { ...withPhoto(someone, photo.id), name: isUnknown ? nameAfter(photo) : someone.name };
  return { people: people.map((one) => (one === someone ? next : one)) };
}
