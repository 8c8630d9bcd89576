import { waysToLie } from "../../base/geometry/index.ts";
import { writeLength } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { inWords, sayFinish, sayPaper, sayTrim, writing } from "../say.ts";
import type { TicketOf } from "../tickets.ts";
import { madeWindows } from "./made.ts";
import type { TicketPart, TicketWords } from "../words.ts";

type ArtworkTicket = TicketOf<"artwork">;

const FITS: Record<ArtworkTicket["artFit"], string> = {
  fill: "covering the page",
  whole: "seen whole",
  stretch: "stretched to the page",
};

/** Photos behind the four windows of “harvest-fair.png”, covering the page, running on 1.5 mm under it, on 10 × 15 cm … */
export function sayArtwork(job: Job, ticket: ArtworkTicket, words: TicketWords): TicketPart[] {
  const write = writing(job, words);
  const { width, height } = waysToLie(job.sheet, job.sheet.paper)[0]!;
  const made = madeWindows(job).length;
  const count = ticket.windows.length + made;
  const windows = count === 1 ? "window" : `${inWords(count)} windows`;
  const under: TicketPart[] = [
    { text: ", running on " },
    { control: "under", text: writeLength(ticket.under, write), measure: true },
    { text: " under it, on " },
  ];
  const art: TicketPart[] = ticket.art
    ? [
        { text: "Photos behind " },
        {
          control: "art",
          text: `the ${windows} of “${ticket.art.name}”${made > 0 ? " and of shapes" : ""}`,
        },
        { text: ", " },
        { control: "artFit", text: FITS[ticket.artFit] },
        ...under,
      ]
    : made > 0
      ? [
          { text: "Photos behind " },
          { control: "art", text: `the ${windows} of artwork made here` },
          ...under,
        ]
      : [{ text: "Photos behind " }, { control: "art", text: "an artwork with windows" }, { text: ", on " }];
  return [
    ...art,
    ...sayPaper(job),
    ...sayTrim(job, write),
    { text: ", " },
    { control: "paperLie", text: width > height ? "on its side" : "upright" },
    ...sayFinish(job, words),
  ];
}
