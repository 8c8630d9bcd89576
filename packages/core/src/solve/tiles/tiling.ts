import { right, bottom, type Rect, type Size } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { piecesOf, type Panels, type Piece } from "../panels/index.ts";
import { divided, type Division, type Stretch } from "./divided.ts";
import type { Tiles } from "./schema.ts";

/** One sheet of a page that is spread over several. */
export interface Tile {
  /** “C1”: its column by letter, its row by number; “2 C1” of the second panel, “2” where that is all of it. */
  name: string;
  column: number;
  row: number;
  /** What of the page is seen of it once all is put together, and what is printed: in µm from the page’s finished corner. */
  shows: Rect;
  prints: Rect;
}

/** A page, or a panel of one, over sheets of one paper that lie one way, row by row. */
export interface Tiling {
  piece: Piece;
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

/** How pages are divided: into panels, and those into sheets. */
export interface Dividing {
  tiles: Tiles;
  panels: Panels | null;
}

/** What a paper leaves to print on as it lies. */
export interface Lying {
  lying: Size;
  area: Rect;
}

/**
 * Spreads every panel of a page over sheets that lie in one of these ways: over as few as can be, then with the shortest
 * seams, then as the first way has it. Null where a panel has no room, where no way has room for the joints, or where it
 * would take more sheets than a job can have.
 */
export function tiled(
  { tiles, panels }: Dividing,
  page: SpreadPage,
  ways: readonly Lying[],
): Tiling[] | null {
  const pieces = piecesOf(page, panels);
  const found = (pieces ?? []).map((piece) => pieceOver(tiles, piece, page.bleed, ways));
  const all = found.filter((one) => one !== null);
  const count = all.reduce((sum, one) => sum + one.tiles.length, 0);
  return pieces && all.length === pieces.length && count <= LIMITS.sheets ? all : null;
}

function pieceOver(tiles: Tiles, piece: Piece, bleed: Um, ways: readonly Lying[]): Tiling | null {
  const found = ways.flatMap((way) => tiledOn(tiles, piece, bleed, way) ?? []);
  const [first, ...others] = found;
  if (!first) return null;
  return others.reduce((best, one) => {
    const fewer = one.columns * one.rows - best.columns * best.rows;
    const shorter = seamLength(one) < seamLength(best);
    return fewer < 0 || (fewer === 0 && shorter) ? one : best;
  }, first);
}

/** The length of all seams together, in µm. */
export const seamLength = ({ columns, rows, piece: { whole } }: Tiling): number =>
  (columns - 1) * whole.height + (rows - 1) * whole.width;

function tiledOn(tiles: Tiles, piece: Piece, bleed: Um, { lying, area }: Lying): Tiling | null {
  const { whole } = piece;
  const asked = { ...tiles, bleed };
  const across = divided({ ...asked, length: whole.width, room: area.width, shift: tiles.shift.across });
  const down = divided({ ...asked, length: whole.height, room: area.height, shift: tiles.shift.down });
  if (!across || !down) return null;
  const [columns, rows] = [across.strips.length, down.strips.length];
  if (columns * rows > LIMITS.sheets) return null;
  const tiling = { piece, lying, area, columns, rows, shifts: { across: across.shifts, down: down.shifts } };
  return {
    ...tiling,
    tiles: down.strips.flatMap((y, row) =>
      across.strips.map((x, column): Tile => ({
        name: nameIn(tiling, column, row),
        column,
        row,
        shows: rectOver(x.shows, y.shows, whole),
        prints: rectOver(x.prints, y.prints, whole),
      })),
    ),
  };
}

/** What a sheet is called among those of all panels. */
function nameIn(
  { piece: { number }, columns, rows }: Omit<Tiling, "tiles">,
  column: number,
  row: number,
): string {
  if (number === null) return tileName(column, row);
  return columns * rows === 1 ? `${number}` : `${number} ${tileName(column, row)}`;
}

const rectOver = (x: Stretch, y: Stretch, corner: Rect): Rect => ({
  x: um(corner.x + x.from),
  y: um(corner.y + y.from),
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
export function stripsOf({ shows, prints, column, row }: Tile, tiling: Tiling): StripOf[] {
  const { columns, rows } = tiling;
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
    nameIn(tiling, column + 1, row),
  );
  add(
    "bottom",
    row < rows - 1,
    { ...level, y: um(b), height: um(bottom(prints) - b) },
    nameIn(tiling, column, row + 1),
  );
  add(
    "left",
    column > 0,
    { ...upright, x: prints.x, width: um(shows.x - prints.x) },
    nameIn(tiling, column - 1, row),
  );
  add(
    "top",
    row > 0,
    { ...level, y: prints.y, height: um(shows.y - prints.y) },
    nameIn(tiling, column, row - 1),
  );
  return strips;
}

/** A strip of a sheet beyond one of its seams. */
export interface StripOf {
  side: "right" | "bottom" | "left" | "top";
  rect: Rect;
  /** The sheet that lies there. */
  next: string;
}
