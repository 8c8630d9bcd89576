import { UNITS, type Unit } from "../../base/length/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { CORNERS, type Corner, type Counting } from "./frame.ts";
import type { PositionColumn } from "./headings.ts";

/** Why a line is left out, in the words that follow “Line 7: ”. */
export class Fault extends Error {}

/** What no table can do without. */
export function lackingOf(columns: Partial<Record<PositionColumn, number>>): string | null {
  const has = (...of: PositionColumn[]) => of.every((column) => columns[column] !== undefined);
  if (has("x", "y") && (has("width", "height") || has("right", "bottom"))) return null;
  return "No columns for where cells are were found: a table of positions has the headings x, y, width and height (or left, top, right and bottom), and a cell a line under them.";
}

export type Value = (column: PositionColumn) => string;

const UNIT_WORDS: Record<string, Unit> = { inch: "in", inches: "in", '"': "in", pixel: "px", pixels: "px" };

export function countingOf(value: Value, headed: string | null, usual: Counting): Counting {
  const said = (value("unit") || headed || usual.unit).toLowerCase();
  const unit = UNITS.find((one) => one === (UNIT_WORDS[said] ?? said));
  if (!unit) throw new Fault(`“${said.slice(0, 20)}” is no unit. It may be ${UNITS.join(", ")}.`);
  const ppi = value("ppi") === "" ? usual.ppi : figure(value("ppi"), "ppi");
  if (ppi < LIMITS.ppi.least || ppi > LIMITS.ppi.most)
    throw new Fault(`${ppi} ppi is not from ${LIMITS.ppi.least} to ${LIMITS.ppi.most}.`);
  const from = value("from")
    .toLowerCase()
    .replace(/[\s_-]+/g, " ");
  const corner: Corner | undefined = from === "" ? usual.corner : CORNERS.find((one) => one === from);
  if (!corner) throw new Fault(`“${from.slice(0, 20)}” is no corner. It may be ${CORNERS.join(", ")}.`);
  return { unit, ppi, corner };
}

/** A figure with a point or a comma before its decimals. */
export function figure(text: string, what: string): number {
  if (text === "") throw new Fault(`${what} is missing.`);
  const plain = /^[+-]?\d+,\d+$/.test(text) ? text.replace(",", ".") : text.replace("\u2212", "-");
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(plain))
    throw new Fault(
      `“${text.slice(0, 20)}” is no figure for ${what}. Write it without its unit, such as 12.5.`,
    );
  return Number(plain);
}

export function whole(text: string, what: string): number {
  const value = figure(text, what);
  if (!Number.isInteger(value) || value < 1 || value > LIMITS.sheets)
    throw new Fault(`“${text.slice(0, 20)}” is no number of a ${what}: they are counted from 1.`);
  return value;
}

/** The number of a cell, “window 3” too; where it is a name, cells are counted. */
export function wholeIn(text: string, next: number): number {
  const digits = /(\d{1,4})\s*$/.exec(text)?.[1];
  return digits === undefined || Number(digits) === 0 ? next : Number(digits);
}
