import { NO_EDGES, type Edges } from "../../geometry/index.ts";
import { writeLength, writeNumber, writeSize, type WriteOptions } from "../../length/index.ts";
import type { Job } from "../../job/index.ts";
import type { TicketPart, TicketWords } from "../kind.ts";
import { layOutCopies } from "./layout.ts";

/** Put 8 copies at 35 × 45 mm on 10 × 15 cm paper, turned to fit the most, 2 mm apart and centred, … */
export function sayCopies(job: Job, words: TicketWords): TicketPart[] {
  const { ticket, sheet, finish } = job;
  const write: WriteOptions = { ...words, ppi: sheet.ppi };
  const count =
    ticket.copies === "fit" ? `as many as fit (${layOutCopies(job).fit.count})` : `${ticket.copies}`;
  const one = ticket.copies === 1;
  return [
    { text: "Put " },
    { control: "copies", text: count },
    { text: one ? " copy at " : " copies at " },
    { control: "size", text: writeSize(ticket.size, write), measure: true },
    { text: " on " },
    { control: "paper", text: sheet.paper.name, measure: true },
    { text: " paper, " },
    { control: "lie", text: sayLie(job) },
    { text: ", " },
    { control: "gap", text: writeLength(ticket.gap, write), measure: true },
    { text: " apart and " },
    { control: "place", text: ticket.place === "centred" ? "centred" : `at the ${ticket.place}` },
    { text: " inside " },
    { control: "margins", ...sayMargins(sheet.margins, write) },
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
    { text: finish.slack === 0 ? " slack, for " : " of slack, for " },
    { control: "printer", text: sheet.printer.name },
    { text: " at " },
    { control: "ppi", text: `${writeNumber(sheet.ppi, words.locale, 0, 2)}\u00a0ppi`, measure: true },
    { text: "." },
  ];
}

function sayLie({ sheet, ticket }: Job): string {
  const pieces = ticket.turnPieces ? ", pieces turned where that helps" : "";
  return (
    { most: "turned to fit the most", portrait: "upright", landscape: "on its side" }[sheet.lie] + pieces
  );
}

function sayMargins(margins: Edges, write: WriteOptions): { text: string; measure?: boolean } {
  const { top, right, bottom, left } = margins;
  if (top === right && right === bottom && bottom === left) {
    return top === NO_EDGES.top
      ? { text: "no margins" }
      : { text: `${writeLength(top, write)} margins`, measure: true };
  }
  const even = top === bottom && left === right;
  return even
    ? { text: `${writeSize({ width: left, height: top }, write)} margins`, measure: true }
    : { text: "uneven margins" };
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
