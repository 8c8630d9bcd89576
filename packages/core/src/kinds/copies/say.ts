import { writeSize } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import type { LayoutSums } from "../layout.ts";
import { sayFinish, sayGap, sayInside, sayPaper, sayTrim, writing } from "../say.ts";
import type { TicketOf } from "../tickets.ts";
import type { TicketPart, TicketWords } from "../words.ts";

/** Put 8 copies at 35 × 45 mm on 10 × 15 cm paper, turned to fit the most, 2 mm apart and centred, … */
export function sayCopies(
  job: Job,
  ticket: TicketOf<"copies">,
  words: TicketWords,
  { mostPerSheet }: LayoutSums,
): TicketPart[] {
  const write = writing(job, words);
  const count = ticket.copies === "fit" ? `as many as fit (${mostPerSheet})` : `${ticket.copies}`;
  return [
    { text: "Put " },
    { control: "copies", text: count },
    {
      text: `${ticket.copies === 1 ? " copy" : " copies"}${ticket.of === "each" ? " of each photo" : ""} at `,
    },
    { control: "size", text: writeSize(ticket.size, write), measure: true },
    { text: " on " },
    ...sayPaper(job),
    ...sayTrim(job, write),
    { text: ", " },
    { control: "lie", text: sayLie(job, ticket) },
    { text: ", " },
    ...sayGap(job, write),
    { text: " and " },
    { control: "place", text: ticket.place === "centred" ? "centred" : `at the ${ticket.place}` },
    ...sayInside(job, write),
    ...sayFinish(job, words),
  ];
}

function sayLie({ sheet }: Job, { turnPieces, cuts }: TicketOf<"copies">): string {
  const paper = { most: "turned to fit the most", portrait: "upright", landscape: "on its side" }[sheet.lie];
  const pieces = {
    never: "",
    all: ", pieces turned where that helps",
    each: `, each piece turned where that helps${cuts === "straight" ? " and cuts stay straight" : ""}`,
  }[turnPieces];
  return paper + pieces;
}
