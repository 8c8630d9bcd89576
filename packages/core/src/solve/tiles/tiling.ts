import { right, bottom, type Rect, type Size } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { divided, type Division, type Stretch } from "./divided.ts";
import type { Tiles } from "./schema.ts";

/** One sheet of a page that is spread over several. */
export interface Tile {
  /** “C1”: its column by letter, its row by number. */
  name: string;
  column: number;
  row: number;
  /** What of the page is seen of it once all is put together, and what is printed: in µm from the page’s finished corner. */
  shows: Rect;
  prints: Rect;
}

/** A page over sheets of one paper that lie one way, row by row. */
export interface Tiling {
  lying: Size;
  /** What of a sheet is printed on. */
  area: Rect;
  columns: number;
  rows: number;
  tiles: Tile[];
  shifts: { across: Division["shifts"]; down: Division["shifts"] };
}

/** A page that is to be spread: its finished size, and how far it runs on past that. */
export interface SpreadPage extends Size {
  bleed: Um;
}

/** What a paper leaves to print on as it lies. */
export interface Lying {
  lying: Size;
  area: Rect;
}

/**
 * Spreads a page over sheets that lie in one of these ways: over as few as can be, then with the shortest seams, then as
 * the first way has it. Null where no way has room for the joints, or where it would take more sheets than a job can have.
 */
export function tiled(tiles: Tiles, page: SpreadPage, ways: readonly Lying[]): Tiling | null {
  const found = ways.flatMap((way) => tiledOn(tiles, page, way) ?? []);
  const [first, ...others] = found;
  if (!first) return null;
  return others.reduce((best, one) => {
    const fewer = one.columns * one.rows - best.columns * best.rows;
    return fewer < 0 || (fewer === 0 && seamLength(one, page) < seamLength(best, page)) ? one : best;
  }, first);
}

/** The length of all seams together, in µm. */
export const seamLength = ({ columns, rows }: Pick<Tiling, "columns" | "rows">, page: Size): number =>
  (columns - 1) * page.height + (rows - 1) * page.width;

function tiledOn(tiles: Tiles, page: SpreadPage, { lying, area }: Lying): Tiling | null {
  const { bleed } = page;
  const across = divided({
    ...tiles,
    length: page.width,
    bleed,
    room: area.width,
    shift: tiles.shift.across,
  });
  const down = divided({ ...tiles, length: page.height, bleed, room: area.height, shift: tiles.shift.down });
  if (!across || !down) return null;
  const [columns, rows] = [across.strips.length, down.strips.length];
  if (columns * rows > LIMITS.sheets) return null;
  return {
    lying,
    area,
    columns,
    rows,
    shifts: { across: across.shifts, down: down.shifts },
    tiles: down.strips.flatMap((y, row) =>
      across.strips.map((x, column): Tile => ({
        name: tileName(column, row),
        column,
        row,
        shows: rectOver(x.shows, y.shows),
        prints: rectOver(x.prints, y.prints),
      })),
    ),
  };
}

const rectOver = (x: Stretch, y: Stretch): Rect => ({
  x: x.from,
  y: y.from,
  width: um(x.to - x.from),
  height: um(y.to - y.from),
});

/** “A1”, “Z1”, “AA1”: columns as spreadsheets count them, rows from 1; both counted from 0 here. */
export function tileName(column: number, row: number): string {
  let letters = "";
  for (let n = column + 1; n > 0; n = Math.floor((n - 1) / 26))
    letters = String.fromCharCode(65 + ((n - 1) % 26)) + letters;
  return `${letters}${row + 1}`;
}

/** The strips of a sheet that are covered or cut off later, from the page’s finished corner; the sheet at each of them. */
export function stripsOf({ shows, prints, column, row }: Tile, { columns, rows }: Tiling): StripOf[] {
  const strips: StripOf[] = [];
  const add = (side: StripOf["side"], is: boolean, rect: Rect, next: string) => {
    if (is && rect.width > 0 && rect.height > 0) strips.push({ side, rect, next });
  };
  const upright = { y: prints.y, height: prints.height };
  const level = { x: prints.x, width: prints.width };
  const [r, b] = [right(shows), bottom(shows)];
  add(
    "right",
    column < columns - 1,
    { ...upright, x: um(r), width: um(right(prints) - r) },
    tileName(column + 1, row),
  );
  add(
    "bottom",
    row < rows - 1,
    { ...level, y: um(b), height: um(bottom(prints) - b) },
    tileName(column, row + 1),
  );
  add(
    "left",
    column > 0,
    { ...upright, x: prints.x, width: um(shows.x - prints.x) },
    tileName(column - 1, row),
  );
  add("top", row > 0, { ...level, y: prints.y, height: um(shows.y - prints.y) }, tileName(column, row - 1));
  return strips;
}

/** A strip of a sheet beyond one of its seams. */
export interface StripOf {
  side: "right" | "bottom" | "left" | "top";
  rect: Rect;
  /** The sheet that lies there. */
  next: string;
}
