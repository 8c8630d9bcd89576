import { writeLength, writeSize } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import type { LayoutSums } from "../layout.ts";
import { sayFinish, sayInside, sayPaper, sayTrim, writing } from "../say.ts";
import type { TicketOf } from "../tickets.ts";
import type { TicketPart, TicketWords } from "../words.ts";

/** Put each of 24 photos on a sheet of its own, 13 × 18 cm paper, lying as the photo does, in a cell with an even border … */
export function saySingles(
  job: Job,
  ticket: TicketOf<"single">,
  words: TicketWords,
  { pieces }: LayoutSums,
): TicketPart[] {
  const write = writing(job, words);
  const lie = { most: "lying as the photo does", portrait: "upright", landscape: "on its side" }[
    job.sheet.lie
  ];
  const border = ticket.border === 0 ? "no border" : `a ${writeLength(ticket.border, write)} white border`;
  return [
    {
      text:
        pieces === 1 ? "Put one photo on a sheet of " : `Put each of ${pieces} photos on its own sheet of `,
    },
    ...sayPaper(job),
    ...sayTrim(job, write),
    { text: ", " },
    { control: "paperLie", text: lie },
    { text: ", " },
    {
      control: "cell",
      text: {
        border: `filling it but for ${border}, even on all sides`,
        whole: `whole, with at least ${border}`,
        size: `at ${writeSize(ticket.size, write)}, centred`,
      }[ticket.way],
    },
    ...sayInside(job, write),
    ...sayFinish(job, words),
  ];
}
