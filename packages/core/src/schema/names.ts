/**
 * Names of the things of a job. A thing is named after what it is, never after its place in an order, so that what was
 * set by hand for it goes wherever it goes:
 *
 *     p7     the photo of the job that was given number 7: its cell, the sheet that holds it alone, how it sits
 *     p7.2   the second of several cells that show it
 *     2.5    the fifth place of a grid’s second sheet; the fifth copy of line or person 2
 *     12     the twelfth copy of one photo; a sheet, or a shot, of that number
 *     2027-03 2027-03p 2027-W12 cover    a month’s page, the page of its photos, a week’s page, the cover; 2027-03.1 its first cell
 *     o3 a2  a cell and a sheet that were added by hand
 */
declare const of: unique symbol;
type Name<Of extends string> = string & { readonly [of]?: Of };

export type CellName = Name<"cell">;
export type SheetName = Name<"sheet">;
/** A graphic, a box of words or a block on pages. */
export type ItemName = Name<"item">;
/** How a photo sits: under the photo’s own name where it comes by itself, under a number where it was put. */
export type ShotName = Name<"shot">;

/** How a photo of the job sits wherever it comes by itself. */
export const photoShot = (number: number): ShotName => `p${number}`;
/** The shot that cells share by its number. */
export const numberedShot = (number: number): ShotName => String(number);

/** The cell of a photo that comes by itself, or one of several, counted from 1. */
export const photoCell = (number: number, copy = 1): CellName =>
  copy === 1 ? `p${number}` : `p${number}.${copy}`;
/** A place of a grid, both counted from 1. */
export const placeCell = (sheet: number, place: number): CellName => `${sheet}.${place}`;
/** Which place of a sheet’s grid a cell is, from 1; null for what is none of that sheet. */
export function placeNumber(cell: CellName, sheet: number): number | null {
  const [on, place] = cell.split(".");
  return on === String(sheet) && place !== undefined ? Number(place) : null;
}
/** A copy of a line or a person, by the shot that is theirs. */
export const copyCell = (shot: number, copy: number): CellName => `${shot}.${copy}`;
/** A copy of one photo. */
export const countedCell = (number: number): CellName => String(number);
export const addedCell = (number: number): CellName => `o${number}`;

/** A cell of a page that is named after what it shows. */
export const pageCell = (sheet: SheetName, place: number): CellName => `${sheet}.${place}`;

/** The page of a month, or of those that begin with it: “2027-03”. */
export const monthSheet = (month: string): SheetName => month;
/** The page of an ISO week. */
export const weekSheet = (year: number, week: number): SheetName =>
  `${year}-W${String(week).padStart(2, "0")}`;
/** The days of a page that come with it. */
export const daysItem = (sheet: SheetName): ItemName => String(sheet);
/** The page of the photos that belong to a page of days. */
export const facingSheet = (days: SheetName): SheetName => `${days}p`;
export const COVER_SHEET: SheetName = "cover";
export const YEAR_SHEET: SheetName = "year";
export const LAST_SHEET: SheetName = "last";

export const numberedSheet = (number: number): SheetName => String(number);
export const photoSheet = (number: number): SheetName => `p${number}`;
export const addedSheet = (number: number): SheetName => `a${number}`;

/** Whether a cell, or a sheet, was added by hand. */
export const isAddedCell = (cell: CellName): boolean => cell.startsWith("o");
export const isAddedSheet = (sheet: SheetName): boolean => sheet.startsWith("a");

/** The number of the photo that something is named after; null for what is named after something else. */
export function photoNumber(name: CellName | SheetName | ShotName): number | null {
  const found = /^p(\d+)/.exec(name);
  return found ? Number(found[1]) : null;
}

/** The number in the name of a shot: of its photo, or of itself. */
export const shotNumber = (shot: ShotName): number => Number(shot.replace(/^p/, ""));

/** Pages of a calendar. */
const CALENDAR = String.raw`\d{4}-(?:\d\d|W\d\d)p?|cover|year|last`;

/** Names as a schema takes them. */
export const NAME_PATTERNS = {
  cell: new RegExp(
    String.raw`^(p[1-9]\d{0,5}(\.[1-9]\d{0,4})?|[1-9]\d{0,4}(\.[1-9]\d{0,4})?|o[1-9]\d{0,4}|(${CALENDAR})\.[1-9]\d{0,2})$`,
  ),
  sheet: new RegExp(String.raw`^([ap]?[1-9]\d{0,5}|${CALENDAR})$`),
  shot: /^(p[1-9]\d{0,5}|[1-9]\d{0,3})$/,
} as const;
