import { daysOfMonth, readDay, readMonth, weekStart, type Day, type Month } from "../../../base/day/index.ts";
import type { Rect } from "../../../base/geometry/index.ts";
import { remembered } from "../../../base/remembered.ts";
import { dayPhotos, notesIn, type Calendar } from "../../../calendar/index.ts";
import { edgesOf, rectangle } from "../inks.ts";
import { equal } from "../../../solve/collage/index.ts";
import { rect, type Drawing, type Drawn } from "./drawing.ts";
import { drawGrid } from "./grid.ts";
import { GRIDS } from "./gridLooks.ts";
import { drawLine } from "./line.ts";
import { mirrored } from "./mirror.ts";
import { drawRows } from "./rows.ts";
import { nearBoxes } from "./heading.ts";
import type { DayStyle, DaysBlock, DaysOf, Design } from "./schema.ts";
import { designOf, DESIGNS } from "./styles.ts";
import { drawWeek } from "./week.ts";

/** A month as each style sets it. */
const STYLES: Readonly<Record<DayStyle, (drawing: Drawing) => Drawn>> = {
  large: (drawing) => drawGrid(drawing, GRIDS.large),
  write: (drawing) => drawGrid(drawing, GRIDS.write),
  quiet: (drawing) => drawGrid(drawing, GRIDS.quiet),
  small: (drawing) => drawGrid(drawing, GRIDS.small),
  column: (drawing) => drawRows(drawing, "words"),
  people: (drawing) => drawRows(drawing, "people"),
  line: drawLine,
};

type Proportions = Drawing["proportions"];

type Question = Pick<DaysBlock, "of" | "style" | "own"> & { box: Rect };

/**
 * Draws a block of days at its size, from the names, weeks and days of a calendar. Nothing is cropped or stretched: rows,
 * figures and words are laid out anew. In languages that are written from right to left all of it stands the other way
 * round. What was drawn of a calendar is kept as long as that is: while a photo is dragged its pages are planned anew
 * sixty times a second, and their days stay as they are.
 */
export function drawDays(
  { of, style, own, x, y, width, height }: Question["box"] & Omit<Question, "box">,
  calendar: Calendar,
  proportions: Proportions,
): Drawn {
  const known = drawers.get(calendar) ?? drawerOf(calendar);
  drawers.set(calendar, known);
  const { photos, draw } = known;
  return draw({ of, style, own, box: { x, y, width, height } }, photos.map(proportions));
}

/** Draws blocks of one calendar, given the proportions of the small photos in its days. */
interface Drawer {
  photos: readonly string[];
  draw(question: Question, proportions: readonly (number | null)[]): Drawn;
}

const drawers = new WeakMap<Calendar, Drawer>();
/** Blocks of one calendar that are kept: those of a planner of weeks, and some more. */
const MOST_KEPT = 80;

function drawerOf(calendar: Calendar): Drawer {
  const photos = dayPhotos(calendar);
  const draw = remembered(
    (question: Question, known: readonly (number | null)[]) =>
      drawn(question, calendar, (photo) => known[photos.indexOf(photo)] ?? null),
    MOST_KEPT,
  );
  return { photos, draw };
}

function drawn({ box, ...block }: Question, calendar: Calendar, proportions: Proportions): Drawn {
  const { of, style } = block;
  const design = designOf(block);
  const [from, to] = spanOf(of, calendar);
  const drawing = { box, design, calendar, notes: notesIn(calendar, from, to), proportions };
  const straight = drawSpan(of, style, drawing);
  const { inks, days, heading } = calendar.languages[0]!.leftwards ? mirrored(straight, box) : straight;
  const ground = design.ground ? [rectangle(box, design.ground.colour, design.ground.opacity)] : [];
  return { inks: [...ground, ...inks], days, heading };
}

function drawSpan(of: DaysOf, style: DayStyle, drawing: Omit<Drawing, "month">): Drawn {
  switch (of.span) {
    case "month":
      return drawMonth(readMonth(of.month)!, style, drawing);
    case "months":
      return drawMonths(readMonth(of.first)!, of.count, style, drawing);
    case "week":
      return drawWeek(drawing, readDay(of.first)!);
  }
}

/** The days that are drawn, with those of other months in the first and the last week. */
function spanOf(of: DaysOf, { week }: Calendar): [from: Day, to: Day] {
  if (of.span === "week") return [readDay(of.first)!, readDay(of.first)! + 6];
  const first = readMonth(of.span === "month" ? of.month : of.first)!;
  const last = daysOfMonth(first + (of.span === "month" ? 0 : of.count - 1));
  return [weekStart(daysOfMonth(first).first, week.first), last.first + last.count + 6];
}

function drawMonth(month: Month, style: DayStyle, drawing: Omit<Drawing, "month">): Drawn {
  const plainly = STYLES[style]({ ...drawing, month });
  const { design } = drawing;
  if (!design.near || !plainly.heading) return plainly;
  const plain: Design = {
    ...DESIGNS.small,
    title: design.words,
    figures: design.figures,
    words: design.words,
  };
  const near = nearBoxes(plainly.heading).flatMap((box, i) => {
    const { ink, off, quiet } = design;
    return drawGrid(
      {
        ...drawing,
        month: month + (i === 0 ? -1 : 1),
        box,
        design: { ...plain, ink, off, quiet, marks: false },
      },
      GRIDS.small,
    ).inks;
  });
  return { ...plainly, inks: [...plainly.inks, ...near] };
}

/** Several months: side by side in columns, on lines below each other, or in the rows and columns that leave each the best shape. */
function drawMonths(first: Month, count: number, style: DayStyle, drawing: Omit<Drawing, "month">): Drawn {
  const { box } = drawing;
  const columns = columnsFor(box, count, style);
  const rows = Math.ceil(count / columns);
  const gap =
    Math.min(box.width / columns, box.height / rows) *
    (style === "column" || style === "people" ? 0.06 : 0.12);
  const across = edgesOf(box.x, Math.round(box.width + gap), equal(columns));
  const down = edgesOf(box.y, Math.round(box.height + gap), equal(rows));
  const all = Array.from({ length: count }, (_, i) => {
    const [row, column] = [Math.floor(i / columns), i % columns];
    const at = rect(
      across[column]!,
      down[row]!,
      across[column + 1]! - across[column]! - gap,
      down[row + 1]! - down[row]! - gap,
    );
    return drawMonth(first + i, style, { ...drawing, box: at });
  });
  return { inks: all.flatMap(({ inks }) => inks), days: all.flatMap(({ days }) => days), heading: null };
}

/** Width over height of a month as each style has it best. */
const BEST: Readonly<Record<DayStyle, number>> = {
  large: 1.15,
  write: 1.2,
  quiet: 1.15,
  small: 1.1,
  column: 0.14,
  people: 0.6,
  line: 9,
};

function columnsFor(box: Rect, count: number, style: DayStyle): number {
  const off = (columns: number) => {
    const rows = Math.ceil(count / columns);
    const shape = box.width / columns / (box.height / rows);
    // A row that is not full is a blemish, not a wrong.
    return Math.abs(Math.log(shape / BEST[style])) + (count % columns === 0 ? 0 : 1);
  };
  return Array.from({ length: count }, (_, i) => i + 1).reduce((best, one) =>
    off(one) < off(best) ? one : best,
  );
}
