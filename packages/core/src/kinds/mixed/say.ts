import { listed } from "../../base/listed.ts";
import { writeLength, writeSize } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { sayFinish, sayGap, sayInside, sayTrim, writing } from "../say.ts";
import type { MixedPiece, TicketOf } from "../tickets.ts";
import type { TicketPart, TicketWords } from "../words.ts";

/** Put 3 at 10 × 15 cm and 5 at 7 × 10 cm on as few sheets as possible of A4 or 20 × 30 cm paper, 2 mm apart … */
export function sayMixed(job: Job, ticket: TicketOf<"mixed">, words: TicketWords): TicketPart[] {
  const write = writing(job, words);
  const papers = [job.sheet.paper, ...ticket.papers].map(({ name }) => name);
  const straight = ticket.cuts === "straight" ? "straight cuts" : "cuts of any kind";
  return [
    { text: "Put " },
    { control: "pieces", text: sayPieces(ticket.pieces, (line) => sayLine(line, write)) },
    { text: " on " },
    { control: "aim", text: ticket.aim === "sheets" ? "as few sheets as possible" : "the cheapest sheets" },
    { text: " of " },
    { control: "papers", text: listed(papers, "or"), measure: true },
    { text: " paper" },
    ...sayTrim(job, write),
    { text: ", " },
    ...sayGap(job, write),
    { text: " and " },
    { control: "place", text: ticket.place === "centred" ? "centred" : `at the ${ticket.place}` },
    ...sayInside(job, write),
    { text: ", to be freed by " },
    { control: "cuts", text: straight },
    ...sayFinish(job, words),
  ];
}

/** Lines that are named one by one; more are counted. */
const FEW = 3;

function sayPieces(pieces: readonly MixedPiece[], sayOne: (line: MixedPiece) => string): string {
  if (pieces.length === 0) return "no pieces yet";
  if (pieces.length <= FEW) return listed(pieces.map(sayOne), "and");
  const all = pieces.reduce((sum, { quantity }) => sum + quantity, 0);
  const sizes = new Set(pieces.map(({ width, height }) => `${width} ${height}`)).size;
  return `${all} pieces of ${sizes === 1 ? "one size" : `${sizes} sizes`}`;
}

function sayLine({ quantity, width, height }: MixedPiece, write: Parameters<typeof writeSize>[1]): string {
  const size = height === null ? `${writeLength(width, write)} wide` : writeSize({ width, height }, write);
  return `${quantity} at ${size}`;
}
