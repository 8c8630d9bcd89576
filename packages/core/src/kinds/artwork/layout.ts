import { grown, waysToLie, type Rect } from "../../base/geometry/index.ts";
import { nearest, um } from "../../base/length/index.ts";
import type { Job } from "../../job/index.ts";
import { numberedSheet } from "../../schema/index.ts";
import type { ArtWindow, Point } from "../../solve/windows/index.ts";
import { isOut, photoFlow } from "../flow.ts";
import type { Layout } from "../layout.ts";
import { photosInPlaces, type Standing } from "../places.ts";
import type { TicketOf } from "../tickets.ts";
import { cutTo, keptApart, type HalfPlane } from "./apart.ts";
import { artBox, onPage, placeArt, windowOnPage, type ArtPlace } from "./place.ts";

/**
 * Pages with an artwork in front, as many as the photos fill: a cell behind every window, its photo running on under the
 * artwork so that no paper shows, and never so far that it would be seen through another window.
 *
 *     artwork ─▶ placed on the page and its bleed ─▶ windows by their edges ─▶ cells, photos in their order
 */
export function layOutArtwork(job: Job, ticket: TicketOf<"artwork">): Layout {
  const { art, windows, under } = ticket;
  const lying = waysToLie(job.sheet, job.sheet.paper)[0]!;
  const place = art && placeArt(art, artBox(job, lying), ticket.artFit);
  const apart = keptApart(windows);
  const places = place ? windows.map((one, i) => behind(one, place, under, apart[i]!)) : [];
  const coming = photoFlow(job).all.filter(({ ref }) => !isOut(job, ref));
  // Without windows all photos would wait for ever.
  const laid = places.length > 0 ? photosInPlaces(job, "all", coming, inDepth(places, windows)) : [[]];
  const front = place && art ? [{ file: art.file, rect: onPage({ x: 0, y: 0, ...art }, place) }] : [];
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
      perSheet: windows.length,
      pieces: windows.length * laid.length,
      mostPerSheet: windows.length,
    },
  };
}

/** The cell behind a window. */
function behind(window: ArtWindow, place: ArtPlace, under: number, planes: readonly HalfPlane[]): Standing {
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
  { left, top, across, down }: ArtPlace,
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

/** Smaller windows over larger ones, where one lies inside another. */
function inDepth(places: readonly Standing[], windows: readonly ArtWindow[]): Standing[] {
  const area = ({ width, height }: ArtWindow) => width * height;
  return places.map((place, i) => ({
    ...place,
    order: windows.filter((other) => area(other) > area(windows[i]!)).length,
  }));
}
