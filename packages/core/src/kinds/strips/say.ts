import { areEven, waysToLie } from "../../base/geometry/index.ts";
import { writeLength, type WriteOptions } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { inWords, sayFinish, sayGap, sayInside, sayTrim, writing } from "../say.ts";
import type { TicketOf } from "../tickets.ts";
import type { TicketPart, TicketWords } from "../words.ts";

type StripsTicket = TicketOf<"strips">;

/** Strips of four shots at 5 × 15 cm, upright, 3 mm apart, with a border of 4 mm and 30 mm for words at the foot … */
export function sayStrips(job: Job, ticket: StripsTicket, words: TicketWords): TicketPart[] {
  const write = writing(job, words);
  const { width, height } = waysToLie(job.sheet, job.sheet.paper)[0]!;
  const isStrip = Math.max(width, height) >= 2 * Math.min(width, height);
  return [
    { text: isStrip ? "Strips of " : "Cards of " },
    { control: "strip", text: sayShots(ticket) },
    { text: " at " },
    { control: "page", text: job.sheet.paper.name, measure: true },
    ...sayTrim(job, write),
    { text: ", " },
    { control: "paperLie", text: width > height ? "on their side" : "upright" },
    ...(ticket.stand ? [{ text: ", standing as they were brought here" }] : sayRoom(job, ticket, write)),
    { text: ", nothing important within " },
    { control: "knife", text: writeLength(job.sheet.safe, write), measure: true },
    { text: " of the cut" },
    // The border keeps shots from the edge; margins are said where somebody set some.
    ...(ticket.stand || boundless(job) ? [] : sayInside(job, write)),
    ...sayFinish(job, words),
  ];
}

/** ", 3 mm apart, with a border of 4 mm and 30 mm for words at the foot" */
function sayRoom(job: Job, ticket: StripsTicket, write: WriteOptions): TicketPart[] {
  return [
    { text: ", " },
    ...sayGap(job, write),
    { text: ", with " },
    {
      control: "border",
      text: ticket.border === 0 ? "no border" : `a border of ${writeLength(ticket.border, write)}`,
    },
    { text: " and " },
    {
      control: "room",
      text:
        ticket.room === 0
          ? "no room for words"
          : `${writeLength(ticket.room, write)} for words at the ${ticket.roomAt}`,
    },
  ];
}

const boundless = ({ sheet: { margins } }: Job): boolean => areEven(margins) && margins.top === 0;

/** "four shots", "a large shot and three small ones", with how they lie where that is not one below the other. */
function sayShots({ lines, along, tilts }: StripsTicket): string {
  const count = lines.reduce((sum, { cells }) => sum + cells, 0);
  const shots = `${inWords(count)} ${count === 1 ? "shot" : "shots"}`;
  const askew = tilts.filter(({ shot }) => shot <= count).length;
  const lean = askew === 0 ? "" : askew === 1 ? ", one of them askew" : `, ${inWords(askew)} of them askew`;
  const alike = lines.every(({ cells }) => cells === lines[0]!.cells);
  if (lines.length === 1 || alike || count === 1) {
    const across = lines[0]!.cells;
    return `${shots}${across > 1 && lines.length > 1 ? ` in ${inWords(lines.length)} ${along}` : ""}${lean}`;
  }
  return `${shots} in ${along} of ${lines.map(({ cells }) => cells).join(", ")}${lean}`;
}
