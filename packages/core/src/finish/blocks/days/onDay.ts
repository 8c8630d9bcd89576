import { dateOf, weekdayOf, type Day } from "../../../base/day/index.ts";
import { writeCount, type Note } from "../../../calendar/index.ts";
import { inCut, type FontId } from "../../words/index.ts";
import { paler, type Drawing } from "./drawing.ts";

type Setup = Pick<Drawing, "design" | "calendar">;

/** What a day stands on: the tint of what it means, or of weekends; null for nothing. */
export function groundOf({ design, calendar }: Setup, day: Day, on: readonly Note[]): string | null {
  const tinted = design.marks ? on.find(({ mark }) => mark === "tint") : undefined;
  if (tinted) return paler(tinted.colour, 0.8);
  return calendar.week.weekend.includes(weekdayOf(day)) ? design.tint : null;
}

/**
 * What is written in a day: what it means, and of several days in a row their first one, or the first that is drawn where
 * they come in from before it.
 */
export const saidOn = (on: readonly Note[], day: Day, first: Day): Note[] =>
  on.filter(
    (note) => note.words && note.text !== "" && (day === note.first || (day === first && note.first < day)),
  );

/** The phase of the moon that is shown in a day. */
export const moonOn = ({ design }: Setup, on: readonly Note[]): Note["moon"] =>
  design.marks ? on.find(({ moon }) => moon !== undefined)?.moon : undefined;

/** The number of a day in its month, in the digits of the calendar’s language. */
export const figureText = (day: Day, { calendar }: Setup): string =>
  writeCount(dateOf(day).day, calendar.languages[0]!);

/** Figures of days off are bold. */
export const figureFont = ({ design }: Setup, isOff: boolean): FontId =>
  isOff ? inCut(design.figures, "bold") : design.figures;
