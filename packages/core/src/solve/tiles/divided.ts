import { nearest, um, type Um } from "../../base/length/index.ts";
import type { Tiles } from "./schema.ts";

/** Less of a picture than this on a sheet of its own is no sheet that anyone would hang, in µm. */
export const LEAST_SHOWN = um(5000);

/** A stretch along one side of the page, in µm from its edge. */
export interface Stretch {
  from: Um;
  to: Um;
}

/** One row or column of sheets: what is seen of the page once all is put together, and what is printed for it. */
export interface Strip {
  shows: Stretch;
  prints: Stretch;
}

/** How a side of the page is divided, and how far its seams may be moved towards its beginning (negative: its end). */
export interface Division {
  strips: Strip[];
  shifts: { least: Um; most: Um };
}

/** A shift as far as sheets have room for it. */
export const shiftWithin = ({ least, most }: Division["shifts"], shift: number): Um =>
  um(Math.min(Math.max(shift, least), most));

/** What is asked of one side. */
export interface DivisionQuestion extends Pick<Tiles, "joint" | "overlap" | "under" | "share"> {
  /** The finished side of the page, what it runs on past both ends of it, and what a sheet holds, in µm. */
  length: number;
  bleed: number;
  room: number;
  shift: number;
}

/**
 * Divides a side of a page over as few sheets as can be. `room` is what a sheet can print; each sheet but the last gives
 * an overlap of it away, and each but the first another where both sides of a joint are trimmed.
 *
 *     length   ├──────────────────────────────────┤
 *     glue     ├────────┤▒                            ▒ printed, and covered by the next
 *                       ├────────┤▒
 *                                ├────────────────┤
 *
 *     n sheets hold   n · room − (n − 1) · joints − 2 · bleed      joints = overlap, or twice that
 *
 * Seams are moved together, and no further than the first and the last sheet hold. Null where a sheet is too small for its
 * joints. Every edge is a whole µm; the strips together show the side, without a gap and without anything twice.
 */
export function divided({
  length,
  bleed,
  room,
  joint,
  overlap,
  under,
  share,
  shift,
}: DivisionQuestion): Division | null {
  const after = overlap;
  const before = joint === "butt" ? overlap : 0;
  const joints = before + after;
  const ends = 2 * bleed;
  if (room - ends >= length) {
    const whole = { from: um(0), to: um(length) };
    const prints = { from: um(-bleed), to: um(length + bleed) };
    return { strips: [{ shows: whole, prints }], shifts: { least: um(0), most: um(0) } };
  }
  if (room - joints < LEAST_SHOWN || room - bleed - joints < LEAST_SHOWN) return null;
  const count = Math.ceil((length + ends - joints) / (room - joints));
  const paper = share === "evenly" ? (length + ends + (count - 1) * joints) / count : room;
  const seams = Array.from({ length: count - 1 }, (_, i) =>
    nearest(paper - bleed - after + i * (paper - joints)),
  );
  const last = length - seams.at(-1)!;
  const printed = { first: seams[0]! + bleed + after, last: last + before + bleed };
  // Seams are also moved where nobody asked for it: so that the last sheet shows enough to be one.
  const least = Math.max(printed.first - room, LEAST_SHOWN - last);
  const most = Math.min(seams[0]! - LEAST_SHOWN, room - printed.last);
  const shifts = { least: um(least), most: um(Math.max(least, most)) };
  const moved = shiftWithin(shifts, shift);
  const edges = [0, ...seams.map((at) => at - moved), length];
  const isBare = under === "bare";
  const strips = Array.from({ length: count }, (_, i): Strip => {
    const [from, to] = [edges[i]!, edges[i + 1]!];
    return {
      shows: { from: um(from), to: um(to) },
      prints: {
        from: um(i === 0 ? -bleed : isBare ? from : from - before),
        to: um(i === count - 1 ? length + bleed : isBare ? to : to + after),
      },
    };
  });
  return { strips, shifts };
}
