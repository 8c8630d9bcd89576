import { inside, NO_EDGES, onItsSide, turnedSize, type Size } from "../../base/geometry/index.ts";
import { nearest } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { countedCell, LIMITS, numberedSheet, numberedShot } from "../../schema/index.ts";
import { waysOf } from "../../solve/slots/index.ts";
import { sizeOf, type Lying } from "../../solve/tiles/index.ts";
import { photoFlow } from "../flow.ts";
import type { Layout } from "../layout.ts";
import type { TicketOf } from "../tickets.ts";

type MuralTicket = TicketOf<"mural">;

/** Width over height of a photo that is not there yet: 3 : 2. */
const COMMON_PROPORTION = 3 / 2;

/** One page as large as the finished picture, and the photo all over it. */
export function layOutMural(job: Job, ticket: MuralTicket, photos: Photos): Layout {
  const slot = photoFlow(job).at(numberedShot(1));
  const size = muralSize(job, ticket, proportionOf(job, slot.photo, slot.shot, photos));
  if (!size) return { sheets: [], sums: NOTHING };
  const upright = size.width <= size.height ? size : onItsSide(size);
  const finished = inside(size, NO_EDGES);
  return {
    sheets: [
      {
        name: numberedSheet(1),
        paper: { name: "Picture", width: upright.width, height: upright.height },
        lying: size,
        cells: [{ key: countedCell(1), ...slot, finished, turn: 0 }],
      },
    ],
    sums: { columns: 1, rows: 1, perSheet: 1, pieces: 1, mostPerSheet: 1, size },
  };
}

const NOTHING = { columns: 0, rows: 0, perSheet: 0, pieces: 0, mostPerSheet: 0 };

/** How the photo lies, with a turn that was given by hand. */
function proportionOf(job: Job, photo: string | null, shot: string, photos: Photos): number {
  const facts = photo === null ? undefined : photos[photo];
  if (!facts) return COMMON_PROPORTION;
  const turn = job.shots[shot]?.turn;
  const { width, height } = turnedSize(facts, typeof turn === "number" ? turn : 0);
  return width / height;
}

/** The finished size; null where sheets have no room for their joints. */
function muralSize(job: Job, ticket: MuralTicket, proportion: number): Size | null {
  const { width, height } = ticket;
  switch (ticket.by) {
    case "width":
      return { width, height: within(width / proportion) };
    case "height":
      return { width: within(height * proportion), height };
    case "size":
      return { width, height };
    case "sheets":
      return sizeBySheets(job, ticket, proportion);
  }
}

/** A photo of any proportion is as large as can be thought of, and no larger. */
const within = (side: number) => nearest(Math.min(Math.max(side, LIMITS.mural.least), LIMITS.mural.most));

/**
 * Full sheets, the paper lying as it is told, or so that the photo loses less; from a roll so many lengths beside each
 * other, as long as the photo makes them.
 */
function sizeBySheets(
  { impose, target }: Job,
  { columns, rows }: Pick<MuralTicket, "columns" | "rows">,
  proportion: number,
): Size | null {
  if (impose.roll) {
    const [way] = waysOf({ ...impose, lie: "portrait" }, target.printer.unprintable) as [Lying];
    const wide = sizeOf(impose.tiles, { columns, rows: 1 }, way, target.bleed);
    return wide && { width: within(wide.width), height: within(wide.width / proportion) };
  }
  const sizes = waysOf(impose, target.printer.unprintable).flatMap(
    (way: Lying) => sizeOf(impose.tiles, { columns, rows }, way, target.bleed) ?? [],
  );
  const lost = ({ width, height }: Size) => Math.abs(Math.log(width / height / proportion));
  const best = sizes.reduce<Size | null>((a, b) => (a && lost(a) <= lost(b) ? a : b), null);
  return best && { width: within(best.width), height: within(best.height) };
}
