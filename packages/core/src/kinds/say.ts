import { areEven, NO_EDGES, waysToLie, type Edges } from "../base/geometry/index.ts";
import { listed } from "../base/listed.ts";
import { writeLength, writeNumber, writeSize, type WriteOptions } from "../base/length/index.ts";
import { finishedSheet, styleOfAll, type Job } from "../job/index.ts";
import { isAsItIs } from "../photo/look/index.ts";
import { placesFor } from "../solve/slots/index.ts";
import type { TicketPart, TicketWords } from "./words.ts";

/** How figures of a job are written. */
export const writing = ({ target }: Job, words: TicketWords): WriteOptions => ({ ...words, ppi: target.ppi });

/** "10 × 15 cm paper" */
export const sayPaper = ({ sheet }: Job): TicketPart[] => [
  { control: "paper", text: sheet.paper.name, measure: true },
  { text: " paper" },
];

/** ", trimmed to 180 × 180 mm" or nothing to be said, but a place to say it. */
export function sayTrim({ sheet }: Job, write: WriteOptions): TicketPart[] {
  if (!sheet.trim) return [];
  return [{ text: " trimmed to " }, { control: "trim", text: writeSize(sheet.trim, write), measure: true }];
}

/** "inside 5 mm margins" */
export const sayInside = ({ sheet }: Job, write: WriteOptions): TicketPart[] => [
  { text: " inside " },
  { control: "margins", ...sayMargins(sheet.margins, write) },
];

function sayMargins(margins: Edges, write: WriteOptions): { text: string; measure?: boolean } {
  const { top, right, bottom, left } = margins;
  if (areEven(margins)) {
    return top === NO_EDGES.top
      ? { text: "no margins" }
      : { text: `${writeLength(top, write)} margins`, measure: true };
  }
  const even = top === bottom && left === right;
  return even
    ? { text: `${writeSize({ width: left, height: top }, write)} margins`, measure: true }
    : { text: "uneven margins" };
}

/** "2 mm apart" */
export const sayGap = ({ ticket }: Job, write: WriteOptions): TicketPart[] => [
  { control: "gap", text: writeLength(ticket.gap, write), measure: true },
  { text: " apart" },
];

/** ", with corner ticks to cut by, no outline and no slack, for Lab, lustre at 300 ppi." */
export function sayFinish(job: Job, words: TicketWords): TicketPart[] {
  const { finish } = job;
  const write = writing(job, words);
  return [
    { text: ", with " },
    { control: "marks", text: finish.marks.kind === "none" ? "no marks" : finish.marks.kind },
    { text: " to cut by, " },
    ...sayOutline(job, write),
    { text: " and " },
    {
      control: "slack",
      text: finish.slack === 0 ? "no" : writeLength(finish.slack, write),
      measure: finish.slack > 0,
    },
    { text: finish.slack === 0 ? " slack" : " of slack" },
    ...sayMade(job, words),
    { text: ", " },
    { control: "impose", text: sayImpose(job, write) },
    { text: "." },
  ];
}

/** ", finished plainly, for Lab, lustre at 300 ppi" */
export const sayMade = (job: Job, { locale }: TicketWords): TicketPart[] => [
  { text: ", finished " },
  { control: "finish", text: sayWorn(job) },
  { text: ", for " },
  { control: "printer", text: job.target.printer.name },
  { text: " at " },
  { control: "ppi", text: `${writeNumber(job.target.ppi, locale, 0, 2)}\u00a0ppi`, measure: true },
];

/** "overlapping 10 mm at the right and below, pale, with corner ticks and letters" */
export function saySpread({ impose }: Pick<Job, "impose">, write: WriteOptions): string {
  const { joint, overlap, under, letters } = impose.tiles;
  const wide = writeLength(overlap, write);
  const runs = {
    glue: overlap === 0 ? "edge to edge" : `overlapping ${wide} at the right and below`,
    butt: overlap === 0 ? "edge to edge" : `edge to edge, ${wide} to trim off at each joint`,
  }[joint];
  const how = overlap === 0 ? "" : { full: "", pale: ", printed pale", bare: ", left bare" }[under];
  const marks = [impose.marks === "none" ? null : impose.marks, letters ? "letters" : null];
  const said = marks.filter((mark) => mark !== null);
  return `${runs}${how}, with ${said.length === 0 ? "no marks" : listed(said)}`;
}

/** "a page to a sheet" or "4 pages to a sheet of A4, cut apart" */
function sayImpose({ impose, sheet, target }: Job, write: WriteOptions): string {
  if (impose.way === "tiles")
    return `each page spread over sheets of ${impose.paper.name}, ${saySpread({ impose }, write)}`;
  if (impose.way === "one")
    return impose.backs === "turned" ? "a page to a side, backs turned" : "a page to a sheet";
  if (impose.way === "tent") return `two pages back to back on ${impose.paper.name}, folded to a tent`;
  if (impose.way === "spreads") return `facing pages side by side on ${impose.paper.name}`;
  const lying = waysToLie(sheet, sheet.paper)[0]!;
  const count =
    placesFor(impose, finishedSheet(sheet, lying), target.printer.unprintable)?.places.length ?? 0;
  const same = impose.order === "repeat" && count > 1 ? "the same page " : "";
  const pages = same ? `${inWords(count)} times` : `${inWords(count)} ${count === 1 ? "page" : "pages"}`;
  return `${same}${pages} to a sheet of ${impose.paper.name}, cut apart`;
}

/** "plainly" or "with a border, words and a watermark" */
function sayWorn(job: Job): string {
  const { border, mat, caption, look } = styleOfAll(job);
  const roles = new Set(Object.values(job.graphics).map(({ role }) => role));
  const all = [
    border && "a border",
    mat && (mat.layers.length === 2 ? "a double mat" : "a mat"),
    caption && "words",
    Object.values(job.shapes).some(({ is }) => is !== "window") && "shapes",
    Object.keys(job.texts).length > 0 && "words on the sheet",
    Object.keys(job.blocks).length > 0 && "a table of words",
    look && !isAsItIs(look) && "a look",
    roles.has("overlay") && "an overlay",
    roles.has("watermark") && "a watermark",
    roles.has("stamp") && "a stamp",
    roles.has("backing") && "a backing",
    job.ground && (job.ground.kind === "flat" ? "a coloured sheet" : "a sheet that changes colour"),
  ].filter((part) => typeof part === "string");
  const worn = job.worn ? [`“${job.worn.name}” tried on`] : [];
  const list = [...worn, ...all];
  if (list.length === 0) return "plainly";
  return `with ${listed(list)}`;
}

function sayOutline({ finish }: Job, write: WriteOptions): TicketPart[] {
  const { outline } = finish;
  if (!outline) return [{ control: "outline", text: "no outline" }];
  const colour = sayColour(outline.colour);
  return [
    { text: "a " },
    { control: "outline", text: `${writeLength(outline.width, write)} ${colour}`, measure: true },
    { text: " outline" },
  ];
}

/** The colours offered for outlines, by the word that the ticket has for them. */
export const OUTLINE_COLOURS: Readonly<Record<string, string>> = {
  "#9a9a9a": "grey",
  "#d0d0d0": "pale grey",
  "#20242c": "black",
  "#ffffff": "white",
};

const sayColour = (colour: string): string => OUTLINE_COLOURS[colour] ?? colour;

/** "one", "two" … where a small number reads better as a word. */
export const inWords = (count: number): string =>
  ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"][count] ??
  String(count);
