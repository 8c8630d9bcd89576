import type { Day, Month } from "../../../base/day/index.ts";
import { daysOfMonth, weekStart, type Weekday } from "../../../base/day/index.ts";
import { laidOver } from "../../../base/contrast.ts";
import type { Rect } from "../../../base/geometry/index.ts";
import { um, type Um } from "../../../base/length/index.ts";
import type { Calendar, Language, Notes } from "../../../calendar/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { SMALL, textWidth, type FontId, type Type } from "../../words/index.ts";
import type { Design } from "./schema.ts";

/** What the drawing of a month is given. */
export interface Drawing {
  month: Month;
  box: Rect;
  design: Design;
  calendar: Calendar;
  notes: Notes;
  /** Width over height of photos, by id; null for one that is not there. */
  proportions(photo: string): number | null;
}

/** A day that is drawn, and the rectangle that nothing of it leaves. */
export interface DayBox {
  day: Day;
  box: Rect;
}

export interface Drawn {
  inks: Ink[];
  days: DayBox[];
  /** Where the month is named; null where it is not. */
  heading: Rect | null;
}

/** Where the parts of rows stand. */
export interface Rows {
  /** Letters of the figures are so high. */
  figure: number;
  /** The row of a day. */
  row(day: Day): Rect;
  /** From left to right: the edges of what stands beside the weekdays, of one column or one for everyone. */
  across: readonly number[];
}

/** From baseline to baseline as words are set: a box that is so much higher than its letters holds one line whole. */
export const LINE = 1.25;

/** A rectangle with whole sides, its edges rounded. */
export function rect(x: number, y: number, width: number, height: number): Rect {
  const [left, top] = [Math.round(x), Math.round(y)];
  return {
    x: um(left),
    y: um(top),
    width: um(Math.max(0, Math.round(x + width) - left)),
    height: um(Math.max(0, Math.round(y + height) - top)),
  };
}

/** How letters of a size are set; they may shrink to a size that is still read, or to half of theirs where that is less. */
export function type(font: FontId, size: number, colour: string, align: Type["align"] = "left"): Type {
  const whole = um(Math.max(1, Math.floor(size)));
  return { font, size: whole, least: um(Math.max(1, Math.min(SMALL, Math.floor(size / 2)))), colour, align };
}

/** Letters as large as a box holds in one line, and no larger than wanted. */
export const within = ({ height }: Rect, wanted: number): number => Math.min(wanted, height / LINE);

/** The weeks that a month reaches into, each with its seven days. */
export function weeksOf(month: Month, first: Weekday): Day[][] {
  const { first: one, count } = daysOfMonth(month);
  const start = weekStart(one, first);
  const rows = Math.ceil((one + count - start) / 7);
  return Array.from({ length: rows }, (_, row) => Array.from({ length: 7 }, (_, i) => start + 7 * row + i));
}

/** The names of weekdays from the one that weeks begin with: the longest ones that all fit a width. */
export function weekdayNames(
  languages: readonly Language[],
  first: Weekday,
  { font, size }: Type,
  width: number,
): string[] {
  const from = (names: readonly string[]) => names.map((_, i) => names[(i + first - 1) % 7]!);
  const [own, second] = languages as [Language, Language?];
  const both = second ? [from(own.shortDays).map((name, i) => `${name} ${from(second.shortDays)[i]}`)] : [];
  const ways = [...both, from(own.days), from(own.shortDays), from(own.narrowDays)];
  const fits = (names: readonly string[]) => names.every((name) => textWidth(name, font, size) <= width);
  return ways.slice(both.length > 0 ? 0 : 1).find(fits) ?? ways.at(-1)!;
}

/** A line as thin as suits a block of this size. */
export const hairline = ({ width, height }: Rect): Um =>
  um(Math.round(Math.min(350, Math.max(80, Math.min(width, height) / 900))));

/** A colour so far towards white: 0 for itself, 1 for white. */
export const paler = (colour: string, by: number): string => laidOver("#ffffff", by, colour);
