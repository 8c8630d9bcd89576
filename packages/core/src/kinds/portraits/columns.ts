import { DOCUMENT_RULES, ruleTitle, type DocumentRule } from "../../catalogue/rules/index.ts";
import { PHOTO_HEADINGS, photosByName, plainHeading, type TableLine } from "../../job/stash/index.ts";
import type { NewPhoto } from "../../job/index.ts";
import { LIMITS } from "../../schema/index.ts";

/** What a column of a list of people can be. */
export const COLUMN_WORDS = {
  name: "Name",
  number: "Number",
  photo: "Photo",
  rule: "Rule",
  quantity: "How many",
} as const;

export type ListColumn = keyof typeof COLUMN_WORDS;

/**
 * Where in a list is what: for each of its columns what it is, null for one that is left out. Several columns can be the name:
 * first name and last name in two. Whether the first line is headings; else it is somebody.
 */
export interface ListMap {
  columns: (ListColumn | null)[];
  /** In what order the columns of the name are joined, by their places. */
  names: number[];
  hasHead: boolean;
}

/** What columns are headed in the languages of Europe, as `plainHeading` writes it. */
const HEADINGS = {
  photo: PHOTO_HEADINGS,
  quantity: [
    ...["quantity", "copies", "count", "qty", "how many", "pieces", "prints"],
    ...["anzahl", "menge", "stuck", "stk", "exemplare", "kopien", "abzuge"],
    ...["quantite", "exemplaires", "tirages", "cantidad", "copias", "quantita", "copie", "quantidade"],
    ...["aantal", "antal", "antall", "kpl", "maara", "ilosc", "sztuk", "pocet", "kusu", "kopii"],
    ...["darab", "db", "mennyiseg", "cantitate", "bucati", "kolicina", "ποσοτητα", "количество"],
  ],
  rule: [
    ...["rule", "document", "format", "document type", "regel", "vorschrift", "dokument", "ausweisart"],
    ...[
      "regle",
      "norme",
      "norma",
      "documento",
      "regola",
      "formato",
      "documenttype",
      "dokumenttype",
      "dokumenttyp",
    ],
    ...[
      "saanto",
      "asiakirja",
      "asiakirjatyyppi",
      "zasada",
      "typ dokumentu",
      "pravidlo",
      "okmany",
      "dokumentum",
    ],
    ...["tip document", "regula", "pravilo", "εγγραφο", "документ"],
  ],
  first: [
    ...[
      "first name",
      "firstname",
      "given name",
      "forename",
      "vorname",
      "prenom",
      "voornaam",
      "fornamn",
      "fornavn",
    ],
    ...[
      "etunimi",
      "imie",
      "jmeno krestni",
      "krestni jmeno",
      "keresztnev",
      "utonev",
      "prenume",
      "ime",
      "ονομα",
      "имя",
    ],
  ],
  last: [
    ...[
      "last name",
      "lastname",
      "surname",
      "family name",
      "nachname",
      "familienname",
      "zuname",
      "nom de famille",
    ],
    ...[
      "apellido",
      "apellidos",
      "cognome",
      "apelido",
      "sobrenome",
      "achternaam",
      "efternamn",
      "efternavn",
      "etternavn",
    ],
    ...[
      "sukunimi",
      "nazwisko",
      "prijmeni",
      "priezvisko",
      "vezeteknev",
      "csaladnev",
      "nume de familie",
      "prezime",
    ],
    ...["priimek", "επωνυμο", "фамилия"],
  ],
  number: [
    ...[
      "number",
      "no",
      "id",
      "badge",
      "badge number",
      "customer",
      "customer number",
      "member number",
      "code",
      "reference",
    ],
    ...["nr", "nummer", "ausweisnummer", "kundennummer", "mitgliedsnummer", "personalnummer", "kennung"],
    ...[
      "numero",
      "num",
      "matricule",
      "reference",
      "codigo",
      "matricola",
      "codice",
      "lidnummer",
      "klantnummer",
      "kundnummer",
    ],
    ...["nro", "numer", "cislo", "szam", "sorszam", "numar", "broj", "stevilka", "αριθμος", "номер"],
  ],
  name: [
    ...["name", "full name", "person", "member", "student", "pupil", "guest", "employee", "participant"],
    ...["teilnehmer", "mitglied", "schuler", "mitarbeiter", "gast", "nom", "nom complet", "membre", "eleve"],
    ...[
      "nombre",
      "nombre completo",
      "alumno",
      "socio",
      "nome",
      "nome completo",
      "alunno",
      "naam",
      "volledige naam",
    ],
    ...["leerling", "namn", "navn", "elev", "medlem", "nimi", "jasen", "nazwisko i imie", "imie i nazwisko"],
    ...[
      "jmeno",
      "meno",
      "nev",
      "teljes nev",
      "nume",
      "nume complet",
      "ime i prezime",
      "ονοματεπωνυμο",
      "фио",
    ],
  ],
} as const;

type Headed = keyof typeof HEADINGS;

/** What a heading says its column is; undefined where nobody here knows its words. */
function headed(heading: string): Headed | undefined {
  const plain = plainHeading(heading);
  if (plain === "") return undefined;
  const kinds = Object.keys(HEADINGS) as Headed[];
  const words = (kind: Headed): readonly string[] => HEADINGS[kind];
  return (
    kinds.find((kind) => words(kind).includes(plain)) ??
    // “Name of the pupil” and “Badge no.” have the word among others.
    kinds.find((kind) => words(kind).some((word) => word.length > 2 && ` ${plain} `.includes(` ${word} `)))
  );
}

/**
 * What the columns of a list seem to be: by their headings where those are known, and by what is in them where not. A first line
 * in which no heading is known, and that looks like the lines under it, is no headings.
 */
export function guessColumns(
  head: readonly string[],
  lines: readonly TableLine[],
  rules: readonly DocumentRule[],
  stash: readonly NewPhoto[],
): ListMap {
  const byHead = head.map(headed);
  const namesPhoto = isPhoto(stash);
  const namesRule = isRule(rules);
  const hasHead = byHead.some((kind) => kind !== undefined) || !looksLikeData(head, lines, namesPhoto);
  const rows = (hasHead ? [] : [head]).concat(lines.slice(0, LOOKED_AT).map(({ cells }) => cells));
  const columns: (ListColumn | null)[] = head.map(() => null);
  const taken = new Set<ListColumn>();
  const take = (at: number, column: ListColumn) => {
    columns[at] = column;
    taken.add(column);
  };
  const names: { at: number; order: number }[] = [];
  if (hasHead) {
    byHead.forEach((kind, at) => {
      if (
        kind === "first" ||
        kind === "last" ||
        (kind === "name" && !names.some(({ order }) => order === 1))
      ) {
        names.push({ at, order: { first: 0, name: 1, last: 2 }[kind] });
        take(at, "name");
      } else if (kind !== undefined && kind !== "name" && !taken.has(kind)) take(at, kind);
    });
  }
  // By content, what is told best first; a column that a heading claimed stays what it is.
  const contents: [ListColumn, (cells: string[]) => boolean][] = [
    ["photo", (cells) => mostly(cells, namesPhoto)],
    ["rule", (cells) => mostly(cells, namesRule)],
    [
      "name",
      (cells) => mostly(cells, (cell) => /^\p{L}[\p{L}\p{M}.'’-]*([ ,]+[\p{L}\p{M}.'’-]+)+$/u.test(cell)),
    ],
    ["quantity", (cells) => mostly(cells, isQuantity) && new Set(cells).size < Math.max(3, cells.length / 2)],
    [
      "number",
      (cells) => mostly(cells, (cell) => /\d/.test(cell) && cell.length <= 60) && areDistinct(cells),
    ],
    ["name", (cells) => mostly(cells, (cell) => /^[\p{L}\p{M} .,'’-]+$/u.test(cell)) && areDistinct(cells)],
  ];
  for (const [column, fits] of contents) {
    if (taken.has(column)) continue;
    const at = columns.findIndex((known, i) => {
      const cells = rows.map((row) => (row[i] ?? "").trim()).filter((cell) => cell !== "");
      return known === null && cells.length > 0 && fits(cells);
    });
    if (at === -1) continue;
    take(at, column);
    if (column === "name") names.push({ at, order: 1 });
  }
  return {
    columns,
    hasHead,
    names: names.sort((a, b) => a.order - b.order || a.at - b.at).map(({ at }) => at),
  };
}

/** Lines that are looked at to tell what a column is. */
const LOOKED_AT = 200;
/** So many of the cells of a column have to be what it is taken for. */
const MOSTLY = 0.7;
const mostly = (cells: readonly string[], is: (cell: string) => boolean): boolean =>
  cells.filter(is).length >= MOSTLY * cells.length;
const areDistinct = (cells: readonly string[]): boolean => new Set(cells).size >= 0.9 * cells.length;

const PICTURE_FILE = /\.(jpe?g|png|webp|tiff?|avif|hei[cf])$/i;
const isPhoto = (stash: readonly NewPhoto[]) => {
  const find = photosByName(stash);
  return (cell: string) => PICTURE_FILE.test(cell) || find(cell) !== undefined;
};
const isRule = (rules: readonly DocumentRule[]) => {
  const known = new Set(
    [...rules, ...DOCUMENT_RULES].flatMap((rule) => [rule.id, ruleTitle(rule).toLowerCase()]),
  );
  return (cell: string) => known.has(cell.toLowerCase());
};
const isQuantity = (cell: string) =>
  /^\d{1,3}$/.test(cell) && Number(cell) >= LIMITS.quantity.least && Number(cell) <= 99;

/** Whether a first line is one more of the lines under it: it names a photo, or has digits where they have. */
function looksLikeData(
  head: readonly string[],
  lines: readonly TableLine[],
  namesPhoto: (cell: string) => boolean,
): boolean {
  if (head.some(namesPhoto)) return true;
  if (lines.length === 0) return false;
  return head.some(
    (cell, i) =>
      /\d/.test(cell) &&
      mostly(
        lines.slice(0, LOOKED_AT).map(({ cells }) => cells[i] ?? ""),
        (one) => /\d/.test(one),
      ),
  );
}
