import { DOCUMENT_RULES, ruleTitle, type DocumentRule } from "../../catalogue/rules/index.ts";
import type { NewPhoto } from "../../job/index.ts";
import { photosByName, readTable, type NamedBy } from "../../job/stash/index.ts";
import { LIMITS } from "../../schema/index.ts";
import type { Person, TicketOf } from "../tickets.ts";
import { guessColumns, type ListColumn, type ListMap } from "./columns.ts";

/** Somebody of a list, and by what their photo was found; null where none was. */
export interface ListedPerson extends Person {
  by: NamedBy | null;
  /** The line of the file. */
  line: number;
}

/** What a list of people came to: nothing in it stops the rest from being read. */
export interface PeopleReading {
  /** The headings of its columns; empty where the first line is somebody. */
  head: string[];
  /** A few cells of each column. */
  samples: string[][];
  map: ListMap;
  people: ListedPerson[];
  /** The rules that the job then needs, those it had first. */
  rules: DocumentRule[];
  /** Photos of the job that are nobody’s in the list. */
  left: NewPhoto[];
  /** One sentence for every line that could not be read as it stands, and what was done instead. */
  problems: string[];
}

const SAMPLES = 3;

/**
 * Reads a list of people from a table of text (RFC 4180; comma, semicolon or tab, found by itself), its columns as the map says, or
 * as they seem to be. Photos are found among those of the job; without a photo column by number or name.
 */
export function readPeople(
  text: string,
  ticket: Pick<TicketOf<"portraits">, "rules">,
  stash: readonly NewPhoto[],
  given?: ListMap,
): PeopleReading {
  const { head, lines, problems } = readTable(text);
  const map = given ?? guessColumns(head, lines, ticket.rules, stash);
  const all = map.hasHead ? lines : [{ cells: head, line: 1 }, ...lines];
  const rules = [...ticket.rules];
  const samples = head.map((_, at) =>
    all.flatMap(({ cells }) => (cells[at] ?? "").trim() || []).slice(0, SAMPLES),
  );
  const read: PeopleReading = {
    head: map.hasHead ? head : [],
    samples,
    map,
    people: [],
    rules,
    left: [...stash],
    problems,
  };
  if (!(["name", "number", "photo"] as const).some((column) => map.columns.includes(column))) {
    if (head.length > 0) problems.push("Say which column has the names, the numbers or the photos.");
    return read;
  }
  const find = photosByName(stash);
  read.people = all.slice(0, LIMITS.people).map(({ cells, line }, i): ListedPerson => {
    const say = (sentence: string) => problems.push(`Line ${line}: ${sentence}`);
    const value = (column: ListColumn) => (cells[map.columns.indexOf(column)] ?? "").trim();
    const names = map.names.map((at) => (cells[at] ?? "").trim()).filter(Boolean);
    const [name, number] = [cut(names.join(" "), 120, say), cut(value("number"), 60, say)];
    const who = name || number || `person ${i + 1}`;
    const photo = photoFor(value("photo"), [number, name], find, who, say);
    return {
      shot: i + 1,
      name,
      number,
      photo: photo?.photo.id ?? null,
      ...(!photo && value("photo") !== "" && { file: value("photo").slice(0, 200) }),
      by: photo?.by ?? null,
      line,
      rule: ruleNamed(value("rule"), rules, who, say),
      quantity: quantityIn(value("quantity"), who, say),
    };
  });
  const shown = new Set(read.people.map(({ photo }) => photo));
  read.left = stash.filter(({ id }) => !shown.has(id));
  if (all.length > LIMITS.people) {
    problems.push(
      `The list has ${all.length} people; the first ${LIMITS.people} were taken. Put the rest in another job.`,
    );
  }
  return read;
}

function cut(text: string, most: number, say: (sentence: string) => void): string {
  if (text.includes("\ufffd")) {
    say(`“${text}” has characters that could not be read. Save the list as UTF-8 and read it again.`);
  }
  if (text.length > most)
    say(`“${text.slice(0, 30)} …” is longer than ${most} letters; the first ${most} were taken.`);
  return text.slice(0, most);
}

type Find = ReturnType<typeof photosByName>;

function photoFor(
  file: string,
  others: readonly string[],
  find: Find,
  who: string,
  say: (sentence: string) => void,
): ReturnType<Find> {
  if (file === "") return others.map(find).find((found) => found !== undefined);
  const found = find(file);
  if (!found) {
    say(
      `there is no photo “${file}” in this job. ${who} is listed without one; add the photo and it goes there.`,
    );
  }
  return found;
}

function ruleNamed(
  text: string,
  rules: DocumentRule[],
  who: string,
  say: (sentence: string) => void,
): string | null {
  if (text === "") return null;
  const small = text.toLowerCase();
  const found = [...rules, ...DOCUMENT_RULES].find(
    (rule) => rule.id === small || ruleTitle(rule).toLowerCase() === small,
  );
  if (!found) {
    say(`there is no rule “${text}”. ${who} has the rule of the job.`);
    return null;
  }
  if (!rules.some(({ id }) => id === found.id)) rules.push(found);
  return found.id;
}

function quantityIn(text: string, who: string, say: (sentence: string) => void): number | null {
  if (text === "") return null;
  const { least, most } = LIMITS.quantity;
  if (/^\d+$/.test(text) && Number(text) >= least && Number(text) <= most) return Number(text);
  say(`“${text}” is no quantity from ${least} to ${most}. ${who} has as many as the job says.`);
  return null;
}
