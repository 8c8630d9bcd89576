import { writeSize } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { leavesOut } from "../../job/stash/index.ts";
import type { LayoutSums } from "../layout.ts";
import { inWords, sayFinish, sayGap, sayInside, sayPaper, sayTrim, writing } from "../say.ts";
import type { TicketOf } from "../tickets.ts";
import type { TicketPart, TicketWords } from "../words.ts";

const ORDERS = {
  order: "in their order",
  name: "by name",
  taken: "by the time they were taken",
  stars: "the best first",
} as const;

/** Show 400 photos, in their order, in 5 columns and 6 rows on A4 paper, upright, without sections … */
export function sayContact(
  job: Job,
  ticket: TicketOf<"contact">,
  words: TicketWords,
  { pieces }: LayoutSums,
): TicketPart[] {
  const write = writing(job, words);
  const { pick, sheet } = job;
  const which = `${job.stash.length > 0 ? pieces : "the"} ${leavesOut(pick) ? "picked " : ""}${job.stash.length > 0 && pieces === 1 ? "photo" : "photos"}`;
  const order = pick.down ? `${ORDERS[pick.by]}, backwards` : ORDERS[pick.by];
  const lie = { most: "lying as it holds the most", portrait: "upright", landscape: "on its side" }[
    sheet.lie
  ];
  const line = [ticket.head, ticket.foot].filter((text) => text !== "").length;
  return [
    { text: "Show " },
    { control: "pick", text: `${which}, ${order}` },
    { text: ", " },
    {
      control: "grid",
      text:
        ticket.by === "grid"
          ? `in ${ticket.columns} columns and ${ticket.rows} rows`
          : `as thumbnails of ${writeSize(ticket.size, write)}`,
    },
    { text: " on " },
    ...sayPaper(job),
    ...sayTrim(job, write),
    { text: ", " },
    { control: "paperLie", text: lie },
    { text: ", " },
    {
      control: "breaks",
      text: {
        none: "without sections",
        day: "with a section for each day",
        folder: "with a section for each folder",
      }[ticket.breaks],
    },
    { text: " and " },
    {
      control: "headAndFoot",
      text: line === 0 ? "no headline" : `${inWords(line)} ${line === 1 ? "line" : "lines"} of text`,
    },
    { text: " on each sheet, " },
    ...sayGap(job, write),
    ...sayInside(job, write),
    ...sayFinish(job, words),
  ];
}
