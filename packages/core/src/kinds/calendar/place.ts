import { inset, NO_EDGES, grown, type Rect } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { layoutArea, type Job } from "../../job/index.ts";
import { byCounts } from "../../solve/collage/index.ts";
import { anchored } from "../../finish/graphics/index.ts";
import type { LaidSplit } from "../layout.ts";
import type { TicketOf } from "../tickets.ts";

type CalendarTicket = TicketOf<"calendar">;

/** Where the photos and the days of a page stand; null for what it has not. */
export interface Standing {
  photos: Rect | null;
  days: Rect | null;
  /** Where they part, where they share the page. */
  split?: LaidSplit;
}

/** What the binding and the border leave of a page. */
export function pageArea(
  job: Job,
  { border, binding }: CalendarTicket,
  lying: Rect | { width: Rect["width"]; height: Rect["height"] },
): Rect {
  const area = grown(layoutArea(job.sheet, lying), -border);
  return binding ? inset(area, { ...NO_EDGES, [binding.side]: binding.zone }) : area;
}

/**
 * Photo and days on one page; the photo takes its share, and the days what is left, less what is kept free around them.
 *
 *     above ┌───────┐   left ┌───┬───┐   behind ┌───────┐
 *           │ photo │        │   │   │          │ photo │
 *           ├───────┤        │   │ d │          │    ┌─┐│
 *           │ days  │        │   │   │          │    └─┘│
 *           └───────┘        └───┴───┘          └───────┘
 */
export function placed(area: Rect, { photo, share, gap, inset: free, corner }: CalendarTicket): Standing {
  const whole = { photos: area, days: shrunk(area, free) };
  switch (photo) {
    case "none":
    case "facing":
      return { photos: null, days: whole.days };
    case "behind": {
      // Days over the photo have its proportion, and cover what the share leaves.
      const by = Math.sqrt(1 - share);
      const room = shrunk(area, free);
      const size = { width: um(Math.round(room.width * by)), height: um(Math.round(room.height * by)) };
      return { photos: area, days: anchored(size, room, corner, 0) };
    }
    default: {
      const beside = photo === "left" || photo === "right";
      const length = (beside ? area.width : area.height) - gap;
      const taken = Math.round(length * share);
      const first = photo === "above" || photo === "left";
      const [a, b] = first ? [taken, length - taken] : [length - taken, taken];
      const one = part(area, beside, 0, a);
      const two = part(area, beside, a + gap, b);
      const split = { beside, photosFirst: first, area, gap, share };
      return first
        ? { photos: one, days: shrunk(two, free), split }
        : { photos: two, days: shrunk(one, free), split };
    }
  }
}

const part = ({ x, y, width, height }: Rect, across: boolean, from: number, length: number): Rect =>
  across
    ? { x: um(x + from), y, width: um(length), height }
    : { x, y: um(y + from), width, height: um(length) };

/** Less the same at every side, but never so much that nothing is left. */
const shrunk = (rect: Rect, by: number): Rect =>
  grown(rect, um(-Math.min(by, Math.floor(Math.min(rect.width, rect.height) * 0.3))));

/** So many cells that fill a rectangle in rows, each as near to 3 : 2 as may be. */
export function cellsIn(area: Rect, count: number, gap: number): Rect[] | null {
  const off = (rows: number) => {
    const shape = area.width / Math.ceil(count / rows) / (area.height / rows);
    return Math.min(Math.abs(Math.log(shape / 1.5)), Math.abs(Math.log(shape * 1.5)));
  };
  const rows = Array.from({ length: count }, (_, i) => i + 1).reduce((best, one) =>
    off(one) < off(best) ? one : best,
  );
  const counts = Array.from(
    { length: rows },
    (_, row) => Math.floor(((row + 1) * count) / rows) - Math.floor((row * count) / rows),
  );
  const cells = byCounts({ width: area.width, height: area.height }, counts, um(gap), "rows");
  return cells?.map((cell) => ({ ...cell, x: um(area.x + cell.x), y: um(area.y + cell.y) })) ?? null;
}
