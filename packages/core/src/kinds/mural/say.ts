import { writeLength, writeSize, type WriteOptions } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { tilingsOf } from "../../solve/slots/index.ts";
import { wallOf } from "../../solve/panels/index.ts";
import type { Tiling } from "../../solve/tiles/index.ts";
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
  const tilings = (page && tilingsOf(impose, page, target.printer.unprintable)) || [];
  return [
    { text: `Spread ${name ?? "a photo"} over ` },
    { control: "sheets", text: saySheets(job, tilings) },
    { text: ", together " },
    {
      control: "spread",
      text: size ? writeSize(wallOf(size, impose.panels), write) : "of no size",
      measure: true,
    },
    { text: ", " },
    { control: "panels", text: sayPanels(job, write) },
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

/** “8 × 2 sheets of A4, upright”, “5 sheets of A4”, “3 pieces on a roll of 610 mm” */
function saySheets({ impose }: Job, tilings: readonly Tiling[]): string {
  const [one] = tilings;
  const count = tilings.reduce((sum, { tiles }) => sum + tiles.length, 0);
  if (impose.roll) return `${counted(count, "piece")} on ${impose.paper.name}`;
  const paper = `of ${impose.paper.name}`;
  if (!one) return `sheets ${paper}`;
  if (tilings.length > 1) return `${counted(count, "sheet")} ${paper}`;
  return `${one.columns} × ${one.rows} sheets ${paper}, ${lies(one.lying)}`;
}

const counted = (count: number, one: string) => `${count} ${one}${count === 1 ? "" : "s"}`;

/** “in one piece”, “in 3 panels 20 mm apart, mirrored around 40 mm” */
function sayPanels({ impose: { panels } }: Job, write: WriteOptions): string {
  if (!panels) return "in one piece";
  const { columns, rows, gap, wrap } = panels;
  const count = columns.length * rows.length;
  const around = {
    none: "",
    picture: "going on",
    mirrored: "mirrored",
    stretched: "stretched",
    colour: "a colour",
  };
  const wraps = wrap.way === "none" ? "" : `, ${around[wrap.way]} around ${writeLength(wrap.deep, write)}`;
  return `in ${counted(count, "panel")}${count > 1 ? ` ${writeLength(gap, write)} apart` : ""}${wraps}`;
}

const lies = ({ width, height }: { width: number; height: number }) =>
  width > height ? "on its side" : "upright";

const saySeams = ({ impose }: Job): string => {
  const { across, down } = impose.tiles.shift;
  return across === 0 && down === 0 ? "seams where they fall" : "seams moved";
};
