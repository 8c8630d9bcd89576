import { writeLength } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import type { LayoutSums } from "../layout.ts";
import { inWords, sayFinish, sayGap, sayInside, sayPaper, sayTrim, writing } from "../say.ts";
import type { TicketOf } from "../tickets.ts";
import type { TicketPart, TicketWords } from "../words.ts";

type CollageTicket = TicketOf<"collage">;

/** Fill 20 × 30 cm paper with 9 photos, nothing cropped, 3 mm apart with a border of 5 mm … */
export function sayCollage(
  job: Job,
  ticket: CollageTicket,
  words: TicketWords,
  { perSheet }: LayoutSums,
): TicketPart[] {
  const write = writing(job, words);
  const lie = { most: "turned to suit the photos", portrait: "upright", landscape: "on its side" }[
    job.sheet.lie
  ];
  const all = ticket.sheets === "all" && (ticket.way === "counts" || ticket.way === "grid");
  return [
    { text: "Fill " },
    ...sayPaper(job),
    ...sayTrim(job, write),
    { text: ", " },
    { control: "paperLie", text: lie },
    { text: ", with " },
    { control: "way", text: sayWay(ticket, perSheet) },
    ...(all ? [{ text: ", as many sheets as the photos fill" }] : []),
    { text: ", " },
    ...sayGap(job, write),
    { text: " with " },
    {
      control: "border",
      text: ticket.border === 0 ? "no border" : `a border of ${writeLength(ticket.border, write)}`,
    },
    ...sayInside(job, write),
    ...sayFinish(job, words),
  ];
}

function sayWay({ way, along, lines, counts, columns, rows }: CollageTicket, cells: number): string {
  switch (way) {
    case "whole":
      return `${cells} ${cells === 1 ? "photo" : "photos"}, nothing cropped`;
    case "lines":
      return `${cells} photos in ${lines === null ? "as many" : inWords(lines)} ${along}${lines === null ? " as crop least" : ""}`;
    case "counts":
      return `${inWords(counts.length)} ${counts.length === 1 ? along.slice(0, -1) : along} of ${counts.join(", ")} cells`;
    case "grid":
      return `a grid of ${columns} × ${rows} cells`;
  }
}
