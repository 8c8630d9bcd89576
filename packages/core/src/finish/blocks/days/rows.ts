import { daysOfMonth, weekdayOf, weekOf, type Day } from "../../../base/day/index.ts";
import type { Rect } from "../../../base/geometry/index.ts";
import { um } from "../../../base/length/index.ts";
import { writeCount } from "../../../calendar/index.ts";
import { equal } from "../../../solve/collage/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { inCut, textWidth } from "../../words/index.ts";
import { edgesOf, letters, lines, rectangle } from "../inks.ts";
import { barsIn } from "./bars.ts";
import { wordsInDay } from "./dayWords.ts";
import { hairline, LINE, paler, rect, type, within, type Drawing, type Drawn, type Rows } from "./drawing.ts";
import { besideNear, headingTogether, NEAR_HIGHER } from "./heading.ts";
import { columnInks, namesInks, peopleOf } from "./people.ts";
import { figureFont, figureText, groundOf, moonOn, saidOn } from "./onDay.ts";
import { marksAt, moonAt } from "./signs.ts";

/** Rows of every month, so that they stand alike from month to month. */
const ROWS = 31;
/** A heading, and names of people, are as high as so many rows. */
const HEADING = 2.4;
const NAMES = 1.3;

/**
 * A row for every day: its figure, its weekday, and what it means, or a column for everyone.
 *
 *     March 2027                         March 2027
 *      1 Mo                                        Warden  Ringers  Boat
 *      2 Tu                               1 Mo
 *      3 We  Ringing starts  ▐            2 Tu             ┌──────┐
 *      …                     ▐            3 We             │Nets  │
 */
export function drawRows(drawing: Drawing, as: "words" | "people"): Drawn {
  const { month, box, design, calendar } = drawing;
  const { first, count } = daysOfMonth(month);
  const people = as === "people" ? peopleOf(calendar) : [];
  const heading = design.heading ? HEADING * (design.near ? NEAR_HIGHER : 1) : 0;
  const names = people.length > 0 ? NAMES : 0;
  const unit = box.height / (ROWS + heading + names);
  const top = Math.round(box.y + unit * (heading + names));
  const down = edgesOf(top, box.y + box.height - top, equal(ROWS));
  const figure = Math.min(unit * 0.78 * design.size, unit / LINE, box.width * 0.16);
  const two = textWidth("30", inCut(design.figures, "bold"), figure) * 1.3;
  const dayNames = calendar.languages[0]!.shortDays;
  const dayWide = Math.min(
    Math.max(...dayNames.map((name) => textWidth(name, design.words, figure * 0.62))) * 1.15,
    box.width * 0.3,
  );
  const left = Math.round(two + figure * 0.75 + dayWide);
  const rows: Rows = {
    figure,
    row: (day) => rect(box.x, down[day - first]!, box.width, down[day - first + 1]! - down[day - first]!),
    across: edgesOf(
      box.x + left,
      Math.max(people.length, box.width - left),
      equal(Math.max(1, people.length)),
    ),
  };
  const all = Array.from({ length: count }, (_, i) => first + i);
  const days = all.map((day) => ({ day, box: rows.row(day) }));
  const title = rect(box.x, box.y, box.width, unit * heading * 0.86);
  const stripes = as === "words" && design.marks ? stripesOf(drawing, rows) : { inks: [], wide: 0 };
  const rowEnd = (day: Day) => {
    const { y, height } = rows.row(day);
    const from = rows.across[0]!;
    return rect(from, y, box.x + box.width - stripes.wide - from, height);
  };
  return {
    inks: [
      ...(design.heading ? headingTogether(besideNear(title, design), month, calendar, design, "left") : []),
      ...namesInks(people, rows, design, rect(box.x, box.y + unit * heading, box.width, unit * NAMES * 0.94)),
      ...all.flatMap((day) => groundInks(drawing, day, rows, two)),
      ...rowLines(
        drawing,
        rect(box.x, top, box.width, down[count]! - top),
        down.slice(0, count + 1),
        people.length > 0 ? rows.across : [],
      ),
      ...stripes.inks,
      ...all.flatMap((day) => [
        ...dayInks(drawing, day, rows.row(day), { figure, two, dayWide }),
        ...endInks(drawing, day, rowEnd(day), figure, as),
      ]),
      ...people.flatMap((person, i) => columnInks(drawing, person, i, rows)),
    ],
    days,
    heading: design.heading ? title : null,
  };
}

/** What a row stands on, and the ring around its figure. */
function groundInks(drawing: Drawing, day: Day, { row, figure }: Rows, two: number): Ink[] {
  const at = row(day);
  const on = drawing.notes.on(day);
  const ground = groundOf(drawing, day, on);
  const ringed = drawing.design.marks ? on.filter(({ mark }) => mark === "ring") : [];
  return [
    ...(ground !== null ? [rectangle(at, ground)] : []),
    ...marksAt(ringed, { x: at.x + two - two / 1.3 / 2, y: at.y + at.height / 2 }, figure * 0.66),
  ];
}

function dayInks(
  drawing: Drawing,
  day: Day,
  at: Rect,
  { figure, two, dayWide }: { figure: number; two: number; dayWide: number },
): Ink[] {
  const { design, calendar, notes } = drawing;
  const off = notes.isOff(day);
  const name = rect(at.x + two + figure * 0.35, at.y, dayWide, at.height);
  return [
    ...letters(figureText(day, drawing), {
      box: rect(at.x, at.y, two, at.height),
      type: type(figureFont(drawing, off), figure, off ? design.off : design.ink, "right"),
      most: 1,
      stand: "middle",
    }),
    ...letters(calendar.languages[0]!.shortDays[weekdayOf(day) - 1]!, {
      box: name,
      type: type(design.words, within(name, figure * 0.62), off ? design.off : design.quiet),
      most: 1,
      stand: "middle",
    }),
  ];
}

/** What stands beside the weekday: what the day means, the moon, and at the right end the number of the week. */
function endInks(drawing: Drawing, day: Day, at: Rect, figure: number, as: "words" | "people"): Ink[] {
  const { design, calendar, notes, month } = drawing;
  const on = notes.on(day);
  const moon = moonOn(drawing, on);
  const starts = weekdayOf(day) === calendar.week.first;
  const number =
    design.weekNumbers && starts ? writeCount(weekOf(day, calendar.week).week, calendar.languages[0]!) : "";
  const numberWide = number === "" ? 0 : textWidth(number, design.words, figure * 0.6) * 1.2;
  const disc = figure * 0.28;
  const room = at.width - numberWide - (moon ? disc * 3 : 0);
  const said = as === "words" && design.texts ? saidOn(on, day, daysOfMonth(month).first) : [];
  // One line holds them all; it has the colour of the first.
  const joined = said
    .slice(0, 1)
    .map(({ colour }) => ({ text: said.map(({ text }) => text).join(" · "), colour }));
  return [
    ...wordsInDay(joined, rect(at.x, at.y, room, at.height), design.words, figure * 0.66, "left").map((ink) =>
      middled(ink, at),
    ),
    ...(moon
      ? moonAt(moon, at.x + at.width - numberWide - disc * 1.4, at.y + at.height / 2, disc, drawing)
      : []),
    ...letters(number, {
      box: rect(at.x + at.width - numberWide, at.y, numberWide, at.height),
      type: type(design.words, figure * 0.6, design.quiet, "right"),
      most: 1,
      stand: "middle",
    }),
  ];
}

/** Words that were set from the top of a row, in its middle instead. */
function middled(ink: Ink, at: Rect): Ink {
  if (ink.kind !== "text") return ink;
  const by = Math.floor((at.height - ink.text.lines.length * LINE * ink.text.size) / 2);
  if (by <= 0) return ink;
  return {
    ...ink,
    text: { ...ink.text, lines: ink.text.lines.map((line) => ({ ...line, y: um(line.y + by) })) },
  };
}

/** Stripes at the right end of rows, over the days of what has a bar; its words stand at its first day. */
function stripesOf(
  { notes, month, box }: Drawing,
  { row, figure, across }: Rows,
): { inks: Ink[]; wide: number } {
  const { first, count } = daysOfMonth(month);
  const bars = barsIn(notes.all, first, first + count - 1, () => true);
  const lanes = bars.reduce((most, { lane }) => Math.max(most, lane + 1), 0);
  const wide = Math.min(figure * 0.45, ((box.x + box.width - across[0]!) * 0.3) / Math.max(1, lanes));
  const inks = bars.map(({ note, from, to, lane }) => {
    const [a, b] = [row(from), row(to)];
    const x = box.x + box.width - (lane + 1) * wide;
    return rectangle(rect(x, a.y, wide * 0.7, b.y + b.height - a.y), paler(note.colour, 0.4));
  });
  return { inks, wide: lanes * wide };
}

/** A thin line below every day, a darker one where a week ends, and lines between people. */
function rowLines(
  { design, calendar, month }: Drawing,
  body: Rect,
  down: readonly number[],
  across: readonly number[],
): Ink[] {
  const width = hairline(body);
  const { first } = daysOfMonth(month);
  const line = (y: number) => [body.x, y, body.x + body.width, y] as const;
  const isDark = (i: number) => i === 0 || weekdayOf(first + i) === calendar.week.first;
  const pale = { width, colour: paler(design.line, 0.25) };
  return [
    lines(body, down.filter((_, i) => !isDark(i)).map(line), pale),
    lines(body, down.filter((_, i) => isDark(i)).map(line), { width, colour: design.line }),
    ...(across.length > 0
      ? [
          lines(
            body,
            across.map((x) => [x, body.y, x, body.y + body.height] as const),
            pale,
          ),
        ]
      : []),
  ];
}
