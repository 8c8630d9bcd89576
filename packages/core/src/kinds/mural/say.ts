import { writeLength, writeSize } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { tilingOf } from "../../solve/slots/index.ts";
import { sayMade, saySpread, writing } from "../say.ts";
import type { LayoutSums } from "../layout.ts";
import type { TicketOf } from "../tickets.ts";
import type { TicketPart, TicketWords } from "../words.ts";

/** Spread spit-panorama over 8 × 2 sheets of A4, upright, together 1560 × 520 mm, overlapping 10 mm at the right and below … */
export function sayMural(
  job: Job,
  { distance }: TicketOf<"mural">,
  words: TicketWords,
  { size }: LayoutSums,
): TicketPart[] {
  const write = writing(job, words);
  const { impose, target } = job;
  const photo = job.shots["1"]?.photo ?? job.stash[0]?.id;
  const name = job.stash.find(({ id }) => id === photo)?.name.replace(/\.[^.]*$/, "");
  const page = size && { ...size, bleed: target.bleed };
  const tiling = page ? tilingOf(impose, page, target.printer.unprintable) : null;
  const sheets = tiling ? `${tiling.columns} × ${tiling.rows} sheets` : "sheets";
  return [
    { text: `Spread ${name ?? "a photo"} over ` },
    {
      control: "sheets",
      text: `${sheets} of ${impose.paper.name}${tiling ? `, ${lies(tiling.lying)}` : ""}`,
    },
    { text: ", together " },
    { control: "spread", text: size ? writeSize(size, write) : "of no size", measure: true },
    { text: ", to be seen from " },
    { control: "distance", text: writeLength(distance, write), measure: true },
    { text: ", " },
    { control: "joints", text: saySpread(job, write) },
    { text: ", " },
    { control: "seams", text: saySeams(job) },
    ...sayMade(job, words),
    { text: "." },
  ];
}

const lies = ({ width, height }: { width: number; height: number }) =>
  width > height ? "on its side" : "upright";

const saySeams = ({ impose }: Job): string => {
  const { across, down } = impose.tiles.shift;
  return across === 0 && down === 0 ? "seams where they fall" : "seams moved";
};
