import { waysToLie, type Rect, type Size } from "../../base/geometry/index.ts";
import { layoutArea, type Job } from "../../job/index.ts";
import { pickedPhotos } from "../../job/stash/index.ts";
import type { Photos } from "../../photo/record/index.ts";
import { countedCell, LIMITS, numberedSheet, numberedShot, photoCell } from "../../schema/index.ts";
import {
  blockFor,
  gridPlaces,
  holdsOf,
  placedBlock,
  type Holds,
  type MostPlace,
} from "../../solve/fit/index.ts";
import { photoFlow, type Slot } from "../flow.ts";
import type { LaidCell, Layout } from "../layout.ts";
import type { TicketOf } from "../tickets.ts";

type CopiesTicket = TicketOf<"copies">;

/** One piece of the job: which photo it shows. */
type Of = Pick<LaidCell, "key" | keyof Slot>;

/** What a sheet holds, one way of laying the paper. */
interface Way extends Holds {
  lying: Size;
  area: Rect;
}

/** Decides how the paper lies, how many pieces stand on a sheet, and how many sheets it takes. */
export function layOutCopies(job: Job, ticket: CopiesTicket, photos: Photos): Layout {
  const { sheet } = job;
  const ways = waysToLie(sheet, sheet.paper).map((lying) => wayOf(job, ticket, lying));
  // The first of equals: upright paper with upright pieces, so that nothing is turned for no gain.
  const way = ways.reduce((best, other) => (other.count > best.count ? other : best));
  const copies = ticket.copies === "fit" ? way.count : ticket.copies;
  // More cells than that nobody can look at or cut, and laying them out takes as long.
  const list = (ticket.of === "each" ? copiesOfEach(job, photos, copies) : copiesOfOne(job, copies)).slice(
    0,
    LIMITS.copies.most,
  );
  const pieces = list.length;
  const sheets = way.count === 0 ? 0 : Math.ceil(pieces / way.count);
  // Several sheets share one grid, so that the stops of the trimmer are the same for all.
  const block = sheets > 1 ? way.grid : blockFor(pieces, way.grid);
  const asGrid = !way.blocks || (sheets === 1 && pieces <= way.grid.count);
  const perSheet = Math.min(way.count, pieces);
  const on = asGrid
    ? gridPlaces(ticket.size, ticket.gap, { ...block, turned: way.grid.turned })
    : way.blocks!;
  const places = placedBlock(asGrid ? on : on.slice(0, perSheet), way.area, ticket.place);
  const cell = (place: MostPlace, n: number): LaidCell => ({
    ...list[n]!,
    finished: { x: place.x, y: place.y, width: place.width, height: place.height },
    turn: place.turned ? 90 : 0,
  });
  return {
    sheets: Array.from({ length: sheets }, (_, index) => {
      const before = index * way.count;
      const here = places.slice(0, Math.min(places.length, pieces - before));
      return {
        name: numberedSheet(index + 1),
        paper: sheet.paper,
        lying: way.lying,
        cells: here.map((place, i) => cell(place, before + i)),
      };
    }),
    sums: {
      columns: sheets === 0 || !asGrid ? 0 : block.columns,
      rows: sheets === 0 || !asGrid ? 0 : block.rows,
      perSheet,
      pieces,
      mostPerSheet: way.count,
      proved: way.proved,
    },
  };
}

/** All pieces show the first photo until another is put in one. */
function copiesOfOne(job: Job, copies: number): Of[] {
  const slot = photoFlow(job).at(numberedShot(1));
  const length = Math.min(copies, LIMITS.copies.most);
  return Array.from({ length }, (_, n) => ({ key: countedCell(n + 1), ...slot }));
}

/** So many of one photo, then of the next; as if there were one photo while there is none. */
function copiesOfEach(job: Job, photos: Photos, copies: number): Of[] {
  if (job.stash.length === 0) return copiesOfOne(job, copies);
  const each = Math.min(copies, LIMITS.copies.most);
  return photoFlow(job, pickedPhotos(job, photos)).all.flatMap(({ ref, ...slot }) =>
    Array.from({ length: each }, (_, n): Of => ({ key: photoCell(ref.number, n + 1), ...slot })).filter(
      ({ key }) => !job.cells[key]?.gone,
    ),
  );
}

function wayOf({ sheet }: Job, { size, gap, cuts, turnPieces }: CopiesTicket, lying: Size): Way {
  const area = layoutArea(sheet, lying);
  const room: Size = { width: area.width, height: area.height };
  const question = { piece: size, area: room, gap, cuts };
  return { lying, area, ...holdsOf(question, turnPieces, LIMITS.copies.most) };
}
