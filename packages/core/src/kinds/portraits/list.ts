import { DOCUMENT_RULES, ruleTitle, type DocumentRule } from "../../catalogue/rules/index.ts";
import type { NewPhoto } from "../../job/index.ts";
import { PHOTO_HEADINGS, photosByName, readTable } from "../../job/stash/index.ts";
import { LIMITS } from "../../schema/index.ts";
import type { Person, TicketOf } from "../tickets.ts";

/** What a list of people came to: nothing in it stops the rest from being read. */
export interface PeopleReading {
  people: Person[];
  /** The rules that the job then needs, those it had first. */
  rules: DocumentRule[];
  /** One sentence for every line that could not be read as it stands, and what was done instead. */
  problems: string[];
}

/** What a column may be headed, in small letters. The first is what our own lists say. */
const HEADINGS = {
  name: ["name", "full name", "person"],
  number: ["number", "no", "no.", "id", "badge", "customer"],
  photo: PHOTO_HEADINGS,
  rule: ["rule", "document", "format"],
  quantity: ["quantity", "copies", "count", "qty", "how many"],
} as const;

type Column = keyof typeof HEADINGS;

/**
 * Reads a list of people from a table of text (RFC 4180; comma, semicolon or tab, found by itself; a first line with
 * headings). Photos are found among those of the job by file name, with or without its ending, capital or small; without
 * a photo column by number or name.
 */
export function readPeople(
  text: string,
  ticket: Pick<TicketOf<"portraits">, "rules">,
  stash: readonly NewPhoto[],
): PeopleReading {
  const { head, lines, problems } = readTable(text);
  const columns = columnsOf(head);
  if (columns.name === undefined && columns.number === undefined && columns.photo === undefined) {
    return {
      people: [],
      rules: [...ticket.rules],
      problems: [
        ...problems,
        "The list has no heading that says name, number or photo. Put a first line such as “name,number,photo,rule,quantity” above it.",
      ],
    };
  }
  problems.push(...unknownIn(head, columns));
  const rules = [...ticket.rules];
  const find = photosByName(stash);
  const people = lines.slice(0, LIMITS.people).map(({ cells, line }, i): Person => {
    const say = (sentence: string) => problems.push(`Line ${line}: ${sentence}`);
    const value = (column: Column) => (cells[columns[column] ?? -1] ?? "").trim();
    const [name, number] = [cut(value("name"), 120, say), cut(value("number"), 60, say)];
    const who = name || number || `person ${i + 1}`;
    return {
      shot: i + 1,
      name,
      number,
      photo: photoFor(value("photo"), [number, name], find, who, say),
      rule: ruleNamed(value("rule"), rules, who, say),
      quantity: quantityIn(value("quantity"), who, say),
    };
  });
  if (lines.length > LIMITS.people) {
    problems.push(
      `The list has ${lines.length} people; the first ${LIMITS.people} were taken. Put the rest in another job.`,
    );
  }
  return { people, rules, problems };
}

function columnsOf(head: readonly string[]): Partial<Record<Column, number>> {
  const columns: Partial<Record<Column, number>> = {};
  for (const [column, names] of Object.entries(HEADINGS) as [Column, readonly string[]][]) {
    const at = head.findIndex((heading) => names.includes(heading.trim().toLowerCase()));
    if (at !== -1) columns[column] = at;
  }
  return columns;
}

/** Columns that nobody here knows what to do with. */
function unknownIn(head: readonly string[], columns: Partial<Record<Column, number>>): string[] {
  const known = new Set<number>(Object.values(columns));
  const names: readonly string[] = Object.values(HEADINGS).flatMap((own) => [...own]);
  return head.flatMap((heading, i) =>
    heading === "" || known.has(i) || names.includes(heading.toLowerCase())
      ? []
      : [
          `The column “${heading}” was left out. Columns that are read are headed name, number, photo, rule or quantity.`,
        ],
  );
}

function cut(text: string, most: number, say: (sentence: string) => void): string {
  if (text.includes("\ufffd")) {
    say(`“${text}” has characters that could not be read. Save the list as UTF-8 and read it again.`);
  }
  if (text.length > most)
    say(`“${text.slice(0, 30)} …” is longer than ${most} letters; the first ${most} were taken.`);
  return text.slice(0, most);
}

function photoFor(
  file: string,
  others: readonly string[],
  photo: (wanted: string) => NewPhoto | undefined,
  who: string,
  say: (sentence: string) => void,
): string | null {
  const find = (wanted: string) => photo(wanted)?.id;
  if (file === "")
    return others.map((other) => (other === "" ? undefined : find(other))).find(Boolean) ?? null;
  const id = find(file);
  if (id === undefined) {
    say(
      `there is no photo “${file}” in this job. ${who} is listed without one; add the photo and it goes there.`,
    );
  }
  return id ?? null;
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
