import Papa from "papaparse";

/** What the column of a list that names photos may be headed in the languages of Europe, as `plainHeading` writes it. */
export const PHOTO_HEADINGS: readonly string[] = [
  ...["photo", "file", "image", "picture", "filename", "file name", "photo file", "image file"],
  ...["foto", "bild", "datei", "dateiname", "bilddatei", "fichier", "nom de fichier", "photographie"],
  ...["imagen", "archivo", "fichero", "immagine", "nome file", "imagem", "arquivo", "ficheiro", "fotografia"],
  ...[
    "afbeelding",
    "bestand",
    "bestandsnaam",
    "fil",
    "filnamn",
    "filnavn",
    "billede",
    "bilde",
    "kuva",
    "tiedosto",
  ],
  ...[
    "zdjecie",
    "plik",
    "fotografie",
    "soubor",
    "subor",
    "kep",
    "fajl",
    "poza",
    "fisier",
    "slika",
    "datoteka",
  ],
  ...["φωτογραφια", "αρχειο", "фото", "файл"],
];

/** A heading in small letters, without accents and signs: "Prénom :" is "prenom", "Badge-No." is "badge no". */
export const plainHeading = (heading: string): string =>
  heading
    .normalize("NFD")
    .replaceAll(/\p{M}/gu, "")
    .toLowerCase()
    .replaceAll("ø", "o")
    .replaceAll("ł", "l")
    .replaceAll("ß", "ss")
    .replaceAll(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

/** A line of a table under its headings. */
export interface TableLine {
  cells: string[];
  /** The line of the file that it begins on, from 1. */
  line: number;
}

export interface TableReading {
  /** What parts its columns. */
  separator: string;
  head: string[];
  lines: TableLine[];
  /** A sentence for everything in the file that was not taken as it stands. */
  problems: string[];
}

/** Lines with broken quotation marks that are read one by one; past that many, all the rest is read without marks. */
const MOST_BROKEN = 200;
/** Sentences of one kind; of more lines than that it is said how many. */
const MOST_SAID = 50;

/**
 * Reads a table of text (RFC 4180; comma, semicolon or tab, found by itself or named by a first line “sep=;”): its
 * headings and the lines under them. A quotation mark that is opened and not closed costs its own line its marks, and no
 * other line anything.
 */
export function readTable(text: string): TableReading {
  const whole = text.replace(/^\ufeff/, "").replaceAll(/\r\n?/g, "\n");
  const named = /^sep=(.)\n/i.exec(whole);
  const [broken, spans]: [string[], string[]] = [[], []];
  const start = named?.[0].length ?? 0;
  const separator = named?.[1] ?? separatorOf(whole.slice(start));
  const read = recordsOf(whole, start, separator, broken, spans);
  const records = read.filter(({ cells }) => cells.some((cell) => cell.trim() !== ""));
  const [first, ...lines] = records;
  const head = (first?.cells ?? []).map((cell) => cell.trim());
  const small = head.map((heading) => heading.toLowerCase());
  const twice = new Set(head.filter((heading, i) => heading !== "" && small.indexOf(small[i]!) !== i));
  const over = lines.flatMap(({ cells, line }) => {
    const extra = cells.slice(head.length).filter((cell) => cell.trim() !== "");
    return extra.length === 0
      ? []
      : [
          `Line ${line} has more cells than there are headings; “${extra.join(", ").slice(0, 60)}” was left out. A comma inside a cell needs quotation marks around the cell.`,
        ];
  });
  return {
    separator,
    head,
    lines,
    problems: [
      ...[...twice].map(
        (heading) => `The heading “${heading}” is there twice; the first column of that name is taken.`,
      ),
      ...some(broken, "lines have broken quotation marks"),
      ...some(spans, "cells go over several lines"),
      ...some(over, "lines have more cells than there are headings"),
    ],
  };
}

const some = (sentences: readonly string[], what: string): string[] =>
  sentences.length <= MOST_SAID
    ? [...sentences]
    : [...sentences.slice(0, MOST_SAID), `${sentences.length - MOST_SAID} more ${what}.`];

/** What separates cells: whatever of these stands most often between the headings, outside quotation marks. */
function separatorOf(text: string): string {
  const headings = (/^[^\n]*\S[^\n]*$/m.exec(text)?.[0] ?? "").replaceAll(/"[^"]*"/g, "");
  const times = [",", ";", "\t"].map((sign) => ({ sign, count: headings.split(sign).length }));
  return times.reduce((most, one) => (one.count > most.count ? one : most)).sign;
}

/** Every record with the line it begins on. What is wrong with quotation marks is said in `broken`, cells of several lines in `spans`. */
function recordsOf(
  whole: string,
  start: number,
  delimiter: string,
  broken: string[],
  spans: string[],
): TableLine[] {
  const records: TableLine[] = [];
  let line = 1 + newlinesIn(whole, 0, start);
  for (let from = start, count = 0; from < whole.length;) {
    let at = from;
    let fault = false;
    const quoteChar = count > MOST_BROKEN ? "\0" : '"';
    Papa.parse<string[]>(whole.slice(from), {
      delimiter,
      quoteChar,
      step: ({ data, errors, meta }, parser) => {
        if (errors.some(({ type }) => type === "Quotes")) {
          fault = true;
          parser.abort();
          return;
        }
        records.push({ cells: data, line });
        const last = line + data.reduce((sum, cell) => sum + newlinesIn(cell, 0, cell.length), 0);
        if (last > line)
          spans.push(
            `Lines ${line} to ${last} were read as one, for a cell in quotation marks goes over them.`,
          );
        line += newlinesIn(whole, at, from + meta.cursor);
        at = from + meta.cursor;
      },
    });
    if (!fault) return records;
    // The line is read as it stands, and everything after it as usual.
    const end = whole.indexOf("\n", at);
    const next = end < 0 ? whole.length : end + 1;
    const own = whole.slice(at, next).replace(/[\r\n]+$/, "");
    records.push({ cells: own.split(delimiter).map((cell) => cell.replaceAll('"', "").trim()), line });
    broken.push(
      `Line ${line} has a quotation mark that is opened and not closed, or stands in the middle of a cell. It was read without its marks: look whether it is right.`,
    );
    line++;
    count++;
    from = next;
  }
  return records;
}

function newlinesIn(text: string, from: number, to: number): number {
  let count = 0;
  for (let at = text.indexOf("\n", from); at >= 0 && at < to; at = text.indexOf("\n", at + 1)) count++;
  return count;
}
