import { grown, onItsSide, waysToLie, type Rect, type Size } from "../../base/geometry/index.ts";
import { nearest, um } from "../../base/length/index.ts";
import { layoutArea, type Job } from "../../job/index.ts";
import { pickedPhotos } from "../../job/stash/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { photoCell, photoNumber, photoSheet } from "../../schema/index.ts";
import { isOut, photoFlow, waitingSlot, type Slot } from "../flow.ts";
import type { LaidSheet, Layout } from "../layout.ts";
import type { TicketOf } from "../tickets.ts";

type SingleTicket = TicketOf<"single">;

/** Width over height of a photo that is not there yet: upright, 2 : 3. */
const COMMON_PROPORTION = 2 / 3;

/** Each photo on a sheet of its own, the paper lying as the photo does where it may. One empty cell without photos. */
export function layOutSingles(job: Job, ticket: SingleTicket, photos: Photos): Layout {
  const shown: Slot[] =
    job.stash.length > 0
      ? photoFlow(job, pickedPhotos(job, photos)).all.filter(({ ref }) => !isOut(job, ref))
      : [waitingSlot(job.numbered + 1)];
  const sheets = shown.flatMap(({ slot, shot, of, photo }): LaidSheet[] => {
    const facts = photo === null ? undefined : photos[photo];
    const proportion = facts ? facts.width / facts.height : COMMON_PROPORTION;
    const lying = lieFor(job, proportion);
    const finished = cellFor(ticket, layoutArea(job.sheet, lying), proportion);
    if (!finished) return [];
    const number = photoNumber(slot)!;
    const cell = { key: photoCell(number), slot, shot, of, photo, finished, turn: 0 as const };
    return [{ name: photoSheet(number), paper: job.sheet.paper, lying, cells: [cell] }];
  });
  const fit = sheets.length > 0 ? 1 : 0;
  return {
    sheets,
    sums: { columns: fit, rows: fit, perSheet: fit, pieces: shown.length, mostPerSheet: fit },
  };
}

function lieFor({ sheet }: Job, proportion: number): Size {
  const ways = waysToLie(sheet, sheet.paper);
  return ways.find(({ width, height }) => (proportion > 1 ? width > height : height > width)) ?? ways[0]!;
}

/**
 * The one cell of a sheet.
 *
 *     border   ┌───────────┐    whole  ┌───────────┐    size  ┌───────────┐
 *              │ ┌───────┐ │           │           │          │  ┌─────┐  │
 *              │ │ even  │ │           │ ┌───────┐ │          │  │     │  │
 *              │ │ white │ │           │ │ photo │ │          │  └─────┘  │
 *              │ └───────┘ │           │ └───────┘ │          │           │
 *              └───────────┘           └───────────┘          └───────────┘
 */
function cellFor({ way, border, size }: SingleTicket, area: Rect, proportion: number): Rect | null {
  const room = grown(area, -border);
  if (room.width <= 0 || room.height <= 0) return null;
  switch (way) {
    case "border":
      return room;
    case "whole": {
      const width = Math.min(room.width, nearest(room.height * proportion));
      const height = Math.min(room.height, nearest(room.width / proportion));
      return centred({ width: um(width), height: um(height) }, area);
    }
    case "size": {
      const lying = proportion > 1 === size.width > size.height ? size : onItsSide(size);
      return lying.width <= area.width && lying.height <= area.height ? centred(lying, area) : null;
    }
  }
}

const centred = ({ width, height }: Size, area: Rect): Rect => ({
  x: nearest(area.x + (area.width - width) / 2),
  y: nearest(area.y + (area.height - height) / 2),
  width,
  height,
});
