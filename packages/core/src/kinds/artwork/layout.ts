import { area, fittedRect, grown, waysToLie, type Fitting, type Rect } from "../../base/geometry/index.ts";
import { nearest, um } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { numberedSheet } from "../../schema/index.ts";
import type { ArtWindow, Point } from "../../solve/windows/index.ts";
import { isOut, photoFlow } from "../flow.ts";
import type { Layout } from "../layout.ts";
import { photosInPlaces, type Standing } from "../places.ts";
import type { TicketOf } from "../tickets.ts";
import { cutTo, keptApart, type HalfPlane } from "./apart.ts";
import { madeWindows } from "./made.ts";
import { artBox, placeArt, windowOnPage } from "./place.ts";

/**
 * Pages with an artwork in front, as many as the photos fill: a cell behind every window, its photo running on under the
 * artwork so that no paper shows, and never so far that it would be seen through another window.
 *
 *     artwork ─▶ placed on the page and its bleed ─▶ windows by their edges ─▶ cells, photos in their order
 */
export function layOutArtwork(job: Job, ticket: TicketOf<"artwork">): Layout {
  const { art, under } = ticket;
  const lying = waysToLie(job.sheet, job.sheet.paper)[0]!;
  const place = placeArt(ticket, artBox(job, lying));
  const all = (windows: readonly ArtWindow[], at: Fitting) => {
    const apart = keptApart(windows);
    return windows.map((one, i) => behind(one, at, under, apart[i]!));
  };
  const places = inDepth([...(place ? all(ticket.windows, place) : []), ...all(madeWindows(job), AS_IT_IS)]);
  const coming = photoFlow(job).all.filter(({ ref }) => !isOut(job, ref));
  // Without windows all photos would wait for ever.
  const laid = places.length > 0 ? photosInPlaces(job, "all", coming, places) : [[]];
  const front = place && art ? [{ file: art.file, rect: fittedRect({ x: 0, y: 0, ...art }, place) }] : [];
  return {
    sheets: laid.map((cells, i) => ({
      name: numberedSheet(i + 1),
      paper: job.sheet.paper,
      lying,
      cells,
      front,
    })),
    sums: {
      columns: 0,
      rows: 0,
      perSheet: places.length,
      pieces: places.length * laid.length,
      mostPerSheet: places.length,
    },
  };
}

/** The cell behind a window. */
function behind(window: ArtWindow, place: Fitting, under: number, planes: readonly HalfPlane[]): Standing {
  const { finished, angle } = windowOnPage(window, place);
  const soft = Math.ceil(window.soft * Math.max(place.across, place.down));
  const runsOn = um(under + soft);
  const within = seenIn(grown(finished, runsOn), finished, angle, planes, place);
  return { finished, angle, runsOn, ...(within && { within }) };
}

/**
 * How far a photo may be printed, where all of it would be seen through another window: in µm on the page, before the cell
 * is tilted. The half-planes are of the artwork’s pixels; so the shape goes there, is cut, and comes back.
 */
function seenIn(
  shown: Rect,
  finished: Rect,
  angle: number,
  planes: readonly HalfPlane[],
  { left, top, across, down }: Fitting,
): readonly Point[] | null {
  const radians = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const [cx, cy] = [finished.x + finished.width / 2, finished.y + finished.height / 2];
  const { x, y, width, height } = shown;
  const corners: Point[] = [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ];
  const there = corners.map(([u, v]): Point => {
    const [dx, dy] = [u - cx, v - cy];
    return [(cx + dx * cos - dy * sin - left) / across, (cy + dx * sin + dy * cos - top) / down];
  });
  const cut = cutTo(there, planes);
  if (cut === there) return null;
  return cut.map(([u, v]): Point => {
    const [dx, dy] = [left + u * across - cx, top + v * down - cy];
    return [nearest(cx + dx * cos + dy * sin), nearest(cy + dy * cos - dx * sin)];
  });
}

/** Windows that were cut here lie where they are. */
const AS_IT_IS: Fitting = { left: 0, top: 0, across: 1, down: 1 };

/** Windows of one size come out a few µm apart by rounding. */
const SURELY = 1.001;

/** Smaller windows over larger ones, where one lies inside another. */
const inDepth = (places: readonly Standing[]): Standing[] =>
  places.map((place) => ({
    ...place,
    order: places.filter(({ finished }) => area(finished) > SURELY * area(place.finished)).length,
  }));
