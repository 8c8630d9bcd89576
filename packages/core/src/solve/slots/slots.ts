import {
  bottom,
  inside,
  onItsSide,
  quarterTurned,
  right,
  waysToLie,
  type Edges,
  type Placement,
  type Rect,
  type Size,
} from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import { remembered } from "../../base/remembered.ts";
import { LIMITS } from "../../schema/index.ts";
import { gridPlaces, holdsOf, placedBlock, type MostPlace } from "../fit/index.ts";
import { nested, tiled, type Lying, type SpreadPage, type Tile, type Tiling } from "../tiles/index.ts";
import type { Impose } from "./schema.ts";

/** Where a page lies on a sheet: which, counted from 0, and the finished page’s place. */
export interface Slot {
  page: number;
  at: Placement;
  /** Which part of the page it is, where that is spread over several sheets; what is printed of it is then what lies there. */
  part?: { tile: Tile; tiling: Tiling };
}

/** The side on which the first of pages that face each other lies. */
export type Facing = "left" | "right";

/** A sheet as the printer takes it, and the pages on it. */
export interface Imposed {
  lying: Size;
  slots: Slot[];
}

/**
 * Which pages lie where on which sheets.
 *
 *     repeat    1 1   2 2        in order   1 2   5 6        stack   1 3   2 4     cut, and laid 1 2 on 3 4 on …
 *               1 1   2 2                   3 4   7 8                5 7   6 8
 *
 * Nothing lies where the printer cannot print, the paper upright. Pages of one size share sheets, whichever way they stand; those of another have sheets of their own. Pages that fit on
 * no sheet are on none.
 */
export function imposedPages(
  impose: Impose,
  pages: readonly Size[],
  { facing, unprintable, bleed }: { facing: Facing | null; unprintable: Edges; bleed: Um },
): Imposed[] {
  if (impose.way === "tiles") return spreadOut(impose, pages, unprintable, bleed);
  if (impose.way === "spreads") return spreads(impose, pages, facing ?? "right");
  if (impose.way === "tent") return tents(impose, pages);
  const sizes = new Map<string, number[]>();
  pages.forEach(({ width, height }, page) => {
    const key = `${Math.min(width, height)} ${Math.max(width, height)}`;
    sizes.set(key, [...(sizes.get(key) ?? []), page]);
  });
  return [...sizes.values()].flatMap((group) => {
    const size = pages[group[0]!]!;
    const found = placesFor(impose, size, unprintable);
    return found ? taken(impose, pages, group, size, found) : [];
  });
}

/** How many pages of a size a sheet holds, and where they lie; null where none fits. */
export function placesFor(
  impose: Impose,
  page: Size,
  unprintable: Edges,
): { lying: Size; places: MostPlace[] } | null {
  const ways = waysOf(impose, unprintable).map(({ lying, area }) => ({
    lying,
    places: placedBlock(placesIn(impose, page, area), area, "centred"),
  }));
  const best = ways.reduce((a, b) => (b.places.length > a.places.length ? b : a));
  return best.places.length > 0 ? best : null;
}

/** The ways in which the paper may lie, and what can be printed on then. */
export const waysOf = (impose: Pick<Impose, "paper" | "lie" | "margin">, unprintable: Edges): Lying[] =>
  waysToLie(impose, impose.paper).map((lying) => {
    const upright = lying.width === impose.paper.width && lying.height === impose.paper.height;
    const bare = upright ? unprintable : quarterTurned(unprintable);
    const edge = (own: number) => um(Math.max(own, impose.margin));
    const area = inside(lying, {
      top: edge(bare.top),
      right: edge(bare.right),
      bottom: edge(bare.bottom),
      left: edge(bare.left),
    });
    return { lying, area };
  });

/** How a page is spread over sheets, panel by panel; null where no sheet has room for that. */
export const tilingsOf = (impose: Impose, page: SpreadPage, unprintable: Edges): Tiling[] | null =>
  tiled(impose, page, waysToSpread(impose, unprintable));

/** The ways in which sheets may lie; a roll has the picture along it or across. */
function waysToSpread(impose: Impose, unprintable: Edges): Lying[] {
  if (!impose.roll) return waysOf(impose, unprintable);
  const ways = waysOf({ ...impose, lie: "portrait" }, unprintable);
  const across = ways.map(({ lying, area }) => ({
    lying: onItsSide(lying),
    area: { ...area, ...onItsSide(area) },
  }));
  return impose.mayTurn ? [...ways, ...across] : ways;
}

/** How a page is divided, as the sheets that it is spread over know. */
export const tilingsOfPage = (sheets: readonly Imposed[], page: number): Tiling[] => [
  ...new Set(
    sheets.flatMap(({ slots }) => slots.flatMap((slot) => (slot.page === page ? slot.part!.tiling : []))),
  ),
];

/** Each page over as many sheets as it takes; one that cannot be spread is on none. */
function spreadOut(impose: Impose, pages: readonly Size[], unprintable: Edges, bleed: Um): Imposed[] {
  const parts = pages.flatMap((of, page): Part[] => {
    const tilings = tilingsOf(impose, { ...of, bleed }, unprintable) ?? [];
    return tilings.flatMap((tiling) => tiling.tiles.map((tile) => ({ page, tile, tiling })));
  });
  if (impose.roll) return onRoll(impose, parts, unprintable);
  return parts.map(({ page, tile, tiling }): Imposed => {
    const { x, y } = tiling.area;
    return {
      lying: tiling.lying,
      slots: [{ page, at: { of: tile.prints, turn: 0, x, y }, part: { tile, tiling } }],
    };
  });
}

type Part = NonNullable<Slot["part"]> & { page: number };

/** All parts on as little of a roll as can be. */
function onRoll(impose: Impose, parts: readonly Part[], unprintable: Edges): Imposed[] {
  const [{ area }] = waysOf({ ...impose, lie: "portrait" }, unprintable) as [Lying];
  const { paper, gap, mayTurn } = impose;
  const cuts = nestedOnce(
    parts.map(({ tile: { prints } }) => ({ width: prints.width, height: prints.height })),
    { width: area.width, most: area.height },
    { gap, mayTurn },
  );
  return cuts.map(({ length, places }): Imposed => {
    const lying = { width: paper.width, height: um(paper.height - area.height + length) };
    const slots = places.map(({ piece, turned, x, y }): Slot => {
      const { page, ...part } = parts[piece]!;
      const at = {
        of: part.tile.prints,
        turn: turned ? 90 : 0,
        x: um(area.x + x),
        y: um(area.y + y),
      } as const;
      return { page, at, part };
    });
    return { lying, slots };
  });
}

/** Nesting is a search, and plans are made at every step. */
const nestedOnce = remembered(nested);

function placesIn({ grid, mayTurn, gap }: Impose, page: Size, area: Rect): MostPlace[] {
  const room: Size = { width: area.width, height: area.height };
  if (room.width <= 0 || room.height <= 0) return [];
  if (grid) {
    for (const turned of mayTurn ? [false, true] : [false]) {
      const places = gridPlaces(page, gap, { ...grid, turned });
      const last = places.at(-1)!;
      if (right(last) <= room.width && bottom(last) <= room.height) return places;
    }
    return [];
  }
  const question = { piece: page, area: room, gap, cuts: "straight" as const };
  const holds = holdsOf(question, mayTurn ? "each" : "never", LIMITS.copies.most);
  return holds.blocks ?? gridPlaces(page, gap, holds.grid);
}

/** Puts the pages of one size in the places of as many sheets as they take. */
function taken(
  { order }: Impose,
  pages: readonly Size[],
  group: readonly number[],
  size: Size,
  { lying, places }: { lying: Size; places: readonly MostPlace[] },
): Imposed[] {
  const sheets = order === "repeat" ? group.length : Math.ceil(group.length / places.length);
  const which = (sheet: number, place: number): number | undefined => {
    if (order === "repeat") return group[sheet];
    return group[order === "stack" ? place * sheets + sheet : sheet * places.length + place];
  };
  return Array.from({ length: sheets }, (_, sheet) => ({
    lying,
    slots: places.flatMap(({ x, y, turned }, place): Slot[] => {
      const page = which(sheet, place);
      if (page === undefined) return [];
      // A page that stands the other way than the first is turned to lie in the same place.
      const own = pages[page]!;
      const isOther = own.width !== size.width;
      return [{ page, at: { of: own, turn: turned !== isOther ? 90 : 0, x, y } }];
    }),
  }));
}

/** Two pages that face each other to a sheet, edge to edge in its middle. */
function spreads(impose: Impose, pages: readonly Size[], first: Facing): Imposed[] {
  const lead = first === "right" ? 1 : 0;
  const sheets = Math.ceil((pages.length + lead) / 2);
  return Array.from({ length: sheets }, (_, sheet): Imposed | null => {
    const pair = [2 * sheet - lead, 2 * sheet - lead + 1];
    const [one, other] = pair.map((page) => pages[page]);
    const tall = Math.max(one?.height ?? 0, other?.height ?? 0);
    const half = Math.max(one?.width ?? 0, other?.width ?? 0);
    const lying = waysToLie(impose, impose.paper).find(
      ({ width, height }) => width >= 2 * half && height >= tall,
    );
    if (!lying) return null;
    const middle = Math.floor(lying.width / 2);
    const slots = pair.flatMap((page, side): Slot[] => {
      const own = pages[page];
      if (!own) return [];
      const y = um(Math.floor((lying.height - own.height) / 2));
      return [{ page, at: { of: own, turn: 0, x: um(side === 0 ? middle - own.width : middle), y } }];
    });
    return { lying, slots };
  }).filter((sheet) => sheet !== null);
}

/**
 * Two pages back to back to a sheet, the heads of both at the fold across its middle:
 *
 *     ┌───────┐
 *     │   ▼   │  the first, seen from the front once it is folded
 *     ├ ─ ─ ─ ┤  the ridge
 *     │   ▲   │  the second, at the back
 *     └───────┘
 */
function tents(impose: Impose, pages: readonly Size[]): Imposed[] {
  return Array.from({ length: Math.ceil(pages.length / 2) }, (_, sheet): Imposed | null => {
    const pair = [pages[2 * sheet], pages[2 * sheet + 1]];
    const wide = Math.max(...pair.map((page) => page?.width ?? 0));
    const tall = Math.max(...pair.map((page) => page?.height ?? 0));
    const lying = waysToLie(impose, impose.paper).find(
      ({ width, height }) => width >= wide && height >= 2 * tall,
    );
    if (!lying) return null;
    const ridge = Math.floor(lying.height / 2);
    const slots = pair.flatMap((own, side): Slot[] => {
      if (!own) return [];
      const x = um(Math.floor((lying.width - own.width) / 2));
      const at: Placement =
        side === 0
          ? { of: own, turn: 180, x, y: um(ridge - own.height) }
          : { of: own, turn: 0, x, y: um(ridge) };
      return [{ page: 2 * sheet + side, at }];
    });
    return { lying, slots };
  }).filter((sheet) => sheet !== null);
}
