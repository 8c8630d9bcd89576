import { daysOfMonth, weekdayOf, weekOf, type Day } from "../../../base/day/index.ts";
import type { Rect } from "../../../base/geometry/index.ts";
import { um } from "../../../base/length/index.ts";
import { writeCount } from "../../../calendar/index.ts";
import { equal } from "../../../solve/collage/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { textWidth } from "../../words/index.ts";
import { edgesOf, letters, lines, rectangle } from "../inks.ts";
import { barsIn } from "./bars.ts";
import { hairline, LINE, paler, rect, type, weekdayNames, weeksOf, within } from "./drawing.ts";
import type { DayBox, Drawing, Drawn } from "./drawing.ts";
import { barInks, dayInks, laneHeight } from "./gridDay.ts";
import type { GridLook } from "./gridLooks.ts";
import { besideNear, headingApart, headingTogether, NEAR_HIGHER } from "./heading.ts";

/** Figures that stand over words are so much smaller. */
const BESIDE_WORDS = 0.72;
/** Numbers of weeks take so much of the width of a day. */
const WEEK_COLUMN = 0.5;

/**
 * The weeks of a month below one another:
 *
 *     March                2027
 *        Mo Tu We Th Fr Sa Su
 *      9  1  2  3  4  5  6  7      number of the week, where that is wanted
 *     10  8  9 10 11 12 13 14
 *     …
 */
export function drawGrid(drawing: Drawing, look: GridLook): Drawn {
  const { month, box, design, calendar, notes } = drawing;
  const weeks = weeksOf(month, calendar.week.first);
  const { first, count } = daysOfMonth(month);
  const rows = look.rows === "six" ? 6 : weeks.length;
  const heading = design.heading ? look.heading.share * (design.near ? NEAR_HIGHER : 1) : 0;
  const shares = [heading, look.weekdays, 1 - heading - look.weekdays];
  const [, weekdaysTop, top, bottom] = edges(box.y, box.height, shares) as [number, number, number, number];
  const columns = [...(design.weekNumbers ? [WEEK_COLUMN] : []), ...equal(7)];
  const across = edgesOf(box.x, box.width, columns);
  const left = design.weekNumbers ? 1 : 0;
  const down = edgesOf(top, bottom - top, equal(rows));
  const cellBox = (row: number, column: number): Rect => ({
    x: across[left + column]!,
    y: down[row]!,
    width: um(across[left + column + 1]! - across[left + column]!),
    height: um(down[row + 1]! - down[row]!),
  });
  const day = {
    width: box.width / (7 + (design.weekNumbers ? WEEK_COLUMN : 0)),
    height: (bottom - top) / rows,
  };
  const figure = Math.min(
    Math.min(
      look.figure.row * (design.texts && !look.lines ? BESIDE_WORDS : 1) * day.height,
      look.figure.column * day.width,
    ) * design.size,
    // Two figures and their row hold them, however large they are wanted.
    day.height / LINE,
    (day.width * 0.96) / textWidth("30", design.figures, 1),
  );
  const isOwn = (one: Day) => one >= first && one < first + count;
  const shown = (one: Day) => isOwn(one) || design.others;
  const bars = weeks.map((week) => barsIn(notes.all, week[0]!, week[6]!, shown));
  const days: DayBox[] = [];
  const grounds: Ink[] = [];
  const written: Ink[] = [];
  weeks.forEach((week, row) => {
    if (design.weekNumbers)
      written.push(
        ...weekNumber(
          drawing,
          week[0]!,
          rect(across[0]!, down[row]!, across[1]! - across[0]!, down[row + 1]! - down[row]!),
          figure,
          look,
        ),
      );
    const lanes = laneHeight(look, day.height, figure, bars[row]!);
    week.forEach((one, column) => {
      if (!shown(one)) {
        if (design.tint && look.lines && calendar.week.weekend.includes(weekdayOf(one)))
          grounds.push(rectangle(cellBox(row, column), design.tint));
        return;
      }
      const at = cellBox(row, column);
      days.push({ day: one, box: at });
      const laned = bars[row]!.map(({ note }) => note);
      const drawn = dayInks(drawing, look, {
        day: one,
        box: at,
        figure,
        own: isOwn(one),
        taken: lanes.taken,
        laned,
      });
      grounds.push(...drawn.grounds);
      written.push(...drawn.written);
    });
    written.push(...barInks(drawing, bars[row]!, (at) => cellBox(row, at - week[0]!), lanes));
  });
  return {
    inks: [
      ...(design.heading
        ? headingInks(drawing, look, rect(box.x, box.y, box.width, weekdaysTop - box.y))
        : []),
      ...weekdays(drawing, look, across.slice(left), weekdaysTop, top, figure),
      ...grounds,
      ...(look.lines ? gridLines(drawing, across.slice(left), down.slice(0, weeks.length + 1)) : []),
      ...written,
    ],
    days,
    heading: design.heading ? rect(box.x, box.y, box.width, (weekdaysTop - box.y) * 0.86) : null,
  };
}

const edges = (from: number, length: number, shares: readonly number[]): number[] =>
  shares.reduce<number[]>((all, share) => [...all, all.at(-1)! + share * length], [from]).map(Math.round);

function headingInks({ month, calendar, design }: Drawing, look: GridLook, at: Rect): Ink[] {
  const space = look.rule ? 0.22 : look.lines ? 0.12 : 0.16;
  const room = besideNear(rect(at.x, at.y, at.width, at.height * (1 - space)), design);
  const words =
    look.heading.as === "apart"
      ? headingApart(room, month, calendar, design)
      : headingTogether(room, month, calendar, design, look.heading.as);
  const y = at.y + at.height * (1 - space * 0.6);
  return [
    ...words,
    ...(look.rule
      ? [lines(at, [[at.x, y, at.x + at.width, y]], { width: hairline(at), colour: design.line })]
      : []),
  ];
}

function weekdays(
  { design, calendar }: Drawing,
  look: GridLook,
  across: readonly number[],
  top: number,
  bottom: number,
  figure: number,
): Ink[] {
  if (look.weekdays === 0) return [];
  const width = across[1]! - across[0]!;
  const pad = look.align === "left" ? width * 0.06 : 0;
  const row = rect(0, top, width, bottom - top);
  const set = type(
    design.words,
    Math.min(within(row, row.height), figure * (look.lines ? 0.85 : 0.5)),
    design.quiet,
    look.align,
  );
  const names = weekdayNames(calendar.languages, calendar.week.first, set, (width - 2 * pad) * 0.94);
  return names.flatMap((name, i) =>
    letters(name, {
      box: rect(across[i]! + pad, top, across[i + 1]! - across[i]! - 2 * pad, bottom - top),
      type: set,
      most: 1,
      stand: look.lines ? "foot" : "middle",
    }),
  );
}

function gridLines({ design, box }: Drawing, across: readonly number[], down: readonly number[]): Ink[] {
  const width = hairline(box);
  const [x1, x2] = [across[0]!, across.at(-1)!];
  const [y1, y2] = [down[0]!, down.at(-1)!];
  return [
    lines(
      box,
      across.map((x) => [x, y1, x, y2] as const),
      { width, colour: paler(design.line, 0.55) },
    ),
    lines(
      box,
      down.map((y) => [x1, y, x2, y] as const),
      { width, colour: design.line },
    ),
  ];
}

function weekNumber(
  { design, calendar }: Drawing,
  first: Day,
  at: Rect,
  figure: number,
  look: GridLook,
): Ink[] {
  const { week } = weekOf(first, calendar.week);
  const size = Math.min(figure * (look.lines ? 0.7 : 0.5), at.width * 0.6);
  const beside = look.lines ? rect(at.x, at.y + figure * 0.2, at.width * 0.86, figure * LINE) : at;
  return letters(writeCount(week, calendar.languages[0]!), {
    box: beside,
    type: type(design.words, within(beside, size), design.quiet, look.lines ? "right" : "middle"),
    most: 1,
    stand: "middle",
  });
}
