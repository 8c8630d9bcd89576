import {
  fittedRect,
  fittedTilted,
  grown,
  waysToLie,
  type Edges,
  type Rect,
  NO_EDGES,
  inset,
} from "../../base/geometry/index.ts";
import { nearest, um } from "../../base/length/index.ts";
import { layoutArea, type Job } from "../../job/index.ts";
import { LIMITS, numberedSheet } from "../../schema/index.ts";
import { cellsOfStrips, equal } from "../../solve/collage/index.ts";
import type { Bring } from "../bring.ts";
import { isOut, photoFlow } from "../flow.ts";
import type { Layout } from "../layout.ts";
import { photosInPlaces, type Standing } from "../places.ts";
import type { TicketOf } from "../tickets.ts";

type StripsTicket = TicketOf<"strips">;

/** Lines of words that the room takes at most; fewer where it is too low for so many. */
const MOST_LINES = 6;

/**
 * Strips or cards, a page each, as many as the photos fill. What the border and the room for words leave of the page is
 * divided into rows, or columns, by their shares; a tilted shot lies over the others:
 *
 *     ┌─────────┐   ┌───────────────┐
 *     │ ┌─────┐ │   │ ┌───────┐┌──┐ │
 *     │ └─────┘ │   │ │       │└──┘ │
 *     │ ┌─────┐ │   │ │       │┌──┐ │
 *     │ └─────┘ │   │ └───────┘└──┘ │
 *     │  words  │   │     words     │
 *     └─────────┘   └───────────────┘
 */
export function layOutStrips(job: Job, ticket: StripsTicket): Layout {
  const lying = waysToLie(job.sheet, job.sheet.paper)[0]!;
  const { places, words } = placesOnPage(job, ticket);
  const per = ticket.lines.reduce((sum, { cells }) => sum + cells, 0);
  if (!places)
    return { sheets: [], sums: { columns: 0, rows: 0, perSheet: 0, pieces: per, mostPerSheet: 0 } };
  const coming = photoFlow(job).all.filter(({ ref }) => !isOut(job, ref));
  const laid = photosInPlaces(job, "all", coming, places);
  const { text, type } = ticket.words;
  return {
    sheets: laid.map((cells, i) => ({
      name: numberedSheet(i + 1),
      paper: job.sheet.paper,
      lying,
      cells,
      ...(words && text.trim() !== "" && { words: [{ text, type, box: words, lines: MOST_LINES }] }),
    })),
    sums: { columns: 0, rows: 0, perSheet: per, pieces: per * laid.length, mostPerSheet: per },
  };
}

/** Where the shots and the words of a page stand; no places where the page has no room for them. */
function placesOnPage(job: Job, ticket: StripsTicket): { places: Standing[] | null; words: Rect | null } {
  const { stand } = ticket;
  if (stand) {
    const places = stand.shots.map(({ angle, order, ...finished }): Standing => ({
      finished,
      ...(angle !== 0 && { angle }),
      ...(order !== 0 && { order }),
    }));
    return { places, words: stand.words };
  }
  const lying = waysToLie(job.sheet, job.sheet.paper)[0]!;
  const { shots, words } = parted(grown(layoutArea(job.sheet, lying), -ticket.border), ticket);
  return { places: placesIn(shots, ticket), words };
}

/** The ticket on another page: shots and words stand where they come to from this one, by their edges. */
export function broughtStrips(job: Job, ticket: StripsTicket, bring: Bring): Partial<StripsTicket> {
  const { places, words } = placesOnPage(job, ticket);
  if (!places) return {};
  const { size, least } = ticket.words.type;
  const [letters, smallest] = [bring.length(size, LIMITS.letter), bring.length(least, LIMITS.letter)];
  return {
    gap: bring.length(ticket.gap, LIMITS.gap),
    border: bring.length(ticket.border, LIMITS.margin),
    room: bring.length(ticket.room, LIMITS.margin),
    words: { ...ticket.words, type: { ...ticket.words.type, size: letters, least: smallest } },
    stand: {
      shots: places.map(({ finished, angle = 0, order = 0 }) => {
        const { rect, angle: tilt } = fittedTilted(finished, angle, bring.fitting);
        return { ...rect, angle: tilt, order };
      }),
      words: words && fittedRect(words, bring.fitting),
    },
  };
}

/** The area of the shots, and the room for words beside it; null where there is none. */
function parted(area: Rect, { room, roomAt, gap }: StripsTicket): { shots: Rect; words: Rect | null } {
  if (room === 0) return { shots: area, words: null };
  const [side, other] = SIDES[roomAt];
  const beside = side === "left" || side === "right" ? area.width : area.height;
  return {
    shots: inset(area, { ...NO_EDGES, [side]: room }),
    // As far from the shots as they are from each other.
    words: inset(area, { ...NO_EDGES, [other]: um(beside - room + Math.min(gap, room >> 1)) }),
  };
}

/** The side of the area that each room takes, and the one across. */
const SIDES: Record<StripsTicket["roomAt"], readonly [keyof Edges, keyof Edges]> = {
  head: ["top", "bottom"],
  foot: ["bottom", "top"],
  left: ["left", "right"],
  right: ["right", "left"],
};

/** The places of a page; null where the page has no room for them. */
function placesIn(area: Rect, { lines, gap, along, tilts }: StripsTicket): Standing[] | null {
  if (area.width <= 0 || area.height <= 0) return null;
  const strips = lines.map(({ cells, share }) => ({ share, shares: equal(cells) }));
  const cells = cellsOfStrips({ width: area.width, height: area.height }, strips, gap, along);
  if (!cells?.every(({ width, height }) => Math.min(width, height) >= LIMITS.piece.least)) return null;
  return cells.map((cell, i) => {
    const finished = { ...cell, x: um(area.x + cell.x), y: um(area.y + cell.y) };
    const tilt = tilts.find(({ shot }) => shot === i + 1);
    return tilt ? { finished: sized(finished, tilt.size), angle: tilt.angle, order: 1 } : { finished };
  });
}

/** A rectangle of another size about its middle. */
function sized({ x, y, width, height }: Rect, by: number): Rect {
  const [w, h] = [nearest(width * by), nearest(height * by)];
  return { x: nearest(x + (width - w) / 2), y: nearest(y + (height - h) / 2), width: w, height: h };
}
