import { inYear, type Month } from "../../../base/day/index.ts";
import type { Rect } from "../../../base/geometry/index.ts";
import { writeYear, type Calendar } from "../../../calendar/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { fontFor, inCut, textWidth } from "../../words/index.ts";
import { letters } from "../inks.ts";
import { rect, type, within } from "./drawing.ts";
import type { Design } from "./schema.ts";

/** “March”, or “March · mars” in two languages. */
export const monthName = (month: Month, { languages }: Pick<Calendar, "languages">): string =>
  languages.map(({ months }) => months[inYear(month).month - 1]!).join(" · ");

/** “2027” */
export const yearName = (month: Month, { languages }: Pick<Calendar, "languages">): string =>
  writeYear(inYear(month).year, languages[0]!);

const titleOf = (month: Month, calendar: Calendar): string => {
  const [name, year] = [monthName(month, calendar), yearName(month, calendar)];
  return calendar.languages[0]!.yearFirst ? `${year} ${name}` : `${name} ${year}`;
};

/**
 * The month at the left and its year at the right, on one line:
 *
 *     March                    2027
 */
export function headingApart(box: Rect, month: Month, calendar: Calendar, design: Design): Ink[] {
  const { title, ink, quiet } = design;
  const [name, year] = [monthName(month, calendar), yearName(month, calendar)];
  const light = inCut(title, "light");
  // Both fit on the line, half of a letter apart.
  const wide =
    textWidth(name, fontFor(name, title), 1) + SMALLER * textWidth(year, fontFor(year, light), 1) + 0.5;
  const size = Math.min(within(box, box.height), box.width / wide);
  const small = size * SMALLER;
  const right = Math.min(box.width, SMALLER * size * textWidth(year, fontFor(year, light), 1) * 1.02 + 2);
  return [
    ...letters(name, {
      box: rect(box.x, box.y, box.width - right, box.height),
      type: type(title, size, ink),
      most: 1,
      stand: "middle",
    }),
    // On the same baseline: both stand on 0.35 of their height below their middle.
    ...letters(year, {
      box: rect(box.x + box.width - right, box.y + 0.35 * (size - small), right, box.height),
      type: type(light, small, quiet, "right"),
      most: 1,
      stand: "middle",
    }),
  ];
}

/** The year beside a month is so much smaller. */
const SMALLER = 0.5;

/** “March 2027”, “2027年 3月” on one line. */
export const headingTogether = (
  box: Rect,
  month: Month,
  calendar: Calendar,
  { title, ink }: Design,
  align: "left" | "middle",
): Ink[] =>
  letters(titleOf(month, calendar), {
    box,
    type: type(title, within(box, box.height), ink, align),
    most: 1,
    stand: "middle",
  });

/** Small months beside a heading are so wide against its height, and leave so much between them. */
const NEAR = { width: 1.05, gap: 0.16 };

/** Where the months before and after stand, at the right end of a heading. */
export function nearBoxes({ x, y, width, height }: Rect): readonly Rect[] {
  const wide = Math.min(height * NEAR.width, width * 0.22);
  const gap = wide * NEAR.gap;
  return [2, 1].map((place) => rect(x + width - place * wide - (place - 1) * gap, y, wide, height));
}

/** What of a heading they leave to its words. */
export const besideNear = (at: Rect, { near }: Design): Rect =>
  near ? rect(at.x, at.y, nearBoxes(at)[0]!.x - at.x - at.height * 0.1, at.height) : at;

/** A heading with small months beside it is so much higher than without. */
export const NEAR_HIGHER = 1.7;
