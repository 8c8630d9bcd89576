import { daysOfMonth, weekdayOf, type Day } from "../../../base/day/index.ts";
import type { Rect } from "../../../base/geometry/index.ts";
import { um } from "../../../base/length/index.ts";
import { restDay, type Note } from "../../../calendar/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { textWidth } from "../../words/index.ts";
import { letters, rectangle } from "../inks.ts";
import type { Bar } from "./bars.ts";
import { wordsInDay } from "./dayWords.ts";
import { LINE, paler, rect, type, type Drawing } from "./drawing.ts";
import type { GridLook } from "./gridLooks.ts";
import { figureFont, figureText, groundOf, moonOn, saidOn } from "./onDay.ts";
import { marksAt, moonAt, photoIn } from "./signs.ts";

/** Days of other months are so faint against the quiet ones. */
const FAINT = 0.6;

/** A day of a grid, and what is left of its room. */
interface OneDay {
  day: Day;
  box: Rect;
  figure: number;
  /** Whether it is of this month. */
  own: boolean;
  /** What bars take of its foot. */
  taken: number;
  /** What has a bar, and is not written again. */
  laned: readonly Note[];
}

/** A day: its ground and its marks, which lie below everything written, and its words. */
export function dayInks(
  drawing: Drawing,
  look: GridLook,
  { day, box, figure, own, taken, laned }: OneDay,
): { grounds: Ink[]; written: Ink[] } {
  const { design, calendar, notes, proportions } = drawing;
  const on = own ? notes.on(day) : [];
  const weekend = calendar.week.weekend.includes(weekdayOf(day));
  const photo = on.find((note) => note.photo !== undefined)?.photo;
  const proportion = photo === undefined ? null : proportions(photo);
  const ground = groundOf(drawing, day, on);
  const off = own && notes.isOff(day);
  const softer = weekend && weekdayOf(day) !== restDay(calendar.week.weekend) && !look.lines;
  const colour = off ? design.off : !own || softer ? design.quiet : design.ink;
  const pad = Math.min(box.width, box.height) * 0.07;
  const place = look.lines
    ? rect(box.x + pad, box.y + pad * 0.6, box.width - 2 * pad, figure * LINE)
    : design.texts
      ? rect(box.x, box.y, box.width, Math.max(figure * LINE, box.height * 0.6))
      : box;
  const set = type(figureFont(drawing, off), figure, colour, look.align);
  const text = figureText(day, drawing);
  const wide = textWidth(text, set.font, set.size);
  const middle = {
    x: look.align === "left" ? place.x + wide / 2 : place.x + place.width / 2,
    y: place.y + place.height / 2,
  };
  const beside = on.filter(isBeside);
  const said = saidOn(on, day, daysOfMonth(drawing.month).first).filter(
    (note) => !laned.includes(note) && !isBeside(note),
  );
  const below = place.y + place.height + (look.lines ? figure * 0.1 : 0);
  const room = rect(box.x + pad, below, box.width - 2 * pad, box.y + box.height - taken - pad * 0.5 - below);
  const corner = rect(place.x + wide + pad, place.y, place.width - wide - pad, place.height);
  const moon = moonOn(drawing, on);
  const disc = Math.min(figure * (look.lines ? 0.26 : 0.17), (box.width - wide) * 0.25);
  return {
    grounds: [
      ...(ground !== null ? [rectangle(box, ground)] : []),
      ...(photo !== undefined && proportion !== null ? [photoIn(photo, box, proportion)] : []),
      ...(design.marks ? marksAt(on, middle, figure, look.lines ? wide / 2 + figure * 0.28 : null) : []),
      ...(moon ? moonAt(moon, box.x + box.width - pad - disc, box.y + pad + disc, disc, drawing) : []),
    ],
    written: [
      ...letters(text, { box: place, type: set, most: 1, stand: "middle", opacity: own ? 1 : FAINT }),
      ...(look.lines && design.texts
        ? wordsInDay(
            beside.map((note) => ({ text: note.text, colour: design.quiet })),
            moon ? { ...corner, width: um(Math.max(0, corner.width - Math.round(figure * 0.7))) } : corner,
            design.words,
            figure * 0.5,
            "right",
          )
        : []),
      ...(design.texts ? wordsInDay(said, room, design.words, wordSize(look, box, figure), look.align) : []),
    ],
  };
}

/** Dates of another calendar stand beside the figure, not under it. */
const isBeside = (note: Note): boolean => note.beside === true;

const wordSize = (look: GridLook, box: Rect, figure: number): number =>
  Math.min(look.lines ? figure * 0.62 : figure * 0.4, box.width * 0.13);

/** How high a bar is, and what all bars of a week take of the feet of its days. */
export interface Lanes {
  height: number;
  taken: number;
}

export function laneHeight(look: GridLook, row: number, figure: number, bars: readonly Bar[]): Lanes {
  const count = bars.reduce((most, { lane }) => Math.max(most, lane + 1), 0);
  if (count === 0) return { height: 0, taken: 0 };
  const room = (row - figure * LINE) * 0.75;
  const height = Math.min(look.lines ? figure * 0.8 : figure * 0.3, room / count);
  return { height, taken: height * count };
}

/** Bars over the days of a week, their words in them. */
export function barInks(
  { design }: Drawing,
  bars: readonly Bar[],
  cell: (day: Day) => Rect,
  { height }: Lanes,
): Ink[] {
  if (!design.marks) return [];
  return bars.flatMap(({ note, from, to, lane }) => {
    const [a, b] = [cell(from), cell(to)];
    const gap = height * 0.14;
    const y = a.y + a.height - (lane + 1) * height;
    const bar = rect(a.x + gap, y + gap / 2, b.x + b.width - a.x - 2 * gap, height - gap);
    const inner = rect(bar.x + gap, bar.y, bar.width - 2 * gap, bar.height);
    return [
      rectangle(bar, paler(note.colour, 0.78)),
      ...(design.texts && note.words
        ? wordsInDay(
            [{ text: note.text, colour: note.colour }],
            inner,
            design.words,
            bar.height / LINE,
            "left",
          )
        : []),
    ];
  });
}
