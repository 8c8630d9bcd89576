import { dateOf, weekdayOf, weekOf, type Day } from "../../../base/day/index.ts";
import type { Rect } from "../../../base/geometry/index.ts";
import { writeCount, writeYear, type Calendar } from "../../../calendar/index.ts";
import { equal } from "../../../solve/collage/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { textWidth } from "../../words/index.ts";
import { edgesOf, letters, lines, rectangle } from "../inks.ts";
import { wordsInDay } from "./dayWords.ts";
import { hairline, LINE, rect, type, within, type DayBox, type Drawing, type Drawn } from "./drawing.ts";
import { figureFont, figureText, groundOf, moonOn, saidOn } from "./onDay.ts";
import { marksAt, moonAt } from "./signs.ts";

/** A heading takes so much of the height. */
const HEADING = 0.09;

/** “22 – 28 March 2027”, “29 March – 4 April 2027” */
export function weekTitle(first: Day, { languages }: Pick<Calendar, "languages">): string {
  const language = languages[0]!;
  const [a, b] = [dateOf(first), dateOf(first + 6)];
  const say = ({ month, day }: { month: number; day: number }) =>
    `${writeCount(day, language)} ${language.months[month - 1]!}`;
  const from = a.month === b.month ? writeCount(a.day, language) : say(a);
  return `${from} – ${say(b)} ${writeYear(b.year, language)}`;
}

/**
 * A week with room to write: a row for each day, or a column where the block is wider than it is high.
 *
 *     22 – 28 March 2027        12
 *     22 Monday
 *     ─────────────────────────────
 *     23 Tuesday
 *     ─────────────────────────────
 */
export function drawWeek(drawing: Omit<Drawing, "month">, first: Day): Drawn {
  const { box, design, calendar } = drawing;
  const heading = design.heading ? HEADING : 0;
  const head = rect(box.x, box.y, box.width, box.height * heading * 0.8);
  const body = rect(box.x, box.y + box.height * heading, box.width, box.height * (1 - heading));
  const wide = body.width > body.height * 1.3;
  const parts = edgesOf(wide ? body.x : body.y, wide ? body.width : body.height, equal(7));
  const days = parts.slice(0, 7).map((from, i): DayBox => {
    const length = parts[i + 1]! - from;
    return {
      day: first + i,
      box: wide ? rect(from, body.y, length, body.height) : rect(body.x, from, body.width, length),
    };
  });
  const between = parts.map((at) =>
    wide
      ? ([at, body.y, at, body.y + body.height] as const)
      : ([body.x, at, body.x + body.width, at] as const),
  );
  const { week } = weekOf(first + 3, calendar.week);
  return {
    inks: [
      ...(design.heading
        ? [
            ...letters(weekTitle(first, calendar), {
              box: { ...head, width: rect(0, 0, head.width * 0.85, 0).width },
              type: type(design.title, within(head, Math.min(head.height, head.width * 0.06)), design.ink),
              most: 1,
              stand: "middle",
            }),
            ...letters(design.weekNumbers ? writeCount(week, calendar.languages[0]!) : "", {
              box: head,
              type: type(design.words, within(head, head.height * 0.5), design.quiet, "right"),
              most: 1,
              stand: "middle",
            }),
          ]
        : []),
      ...days.flatMap(({ day, box: at }) => {
        const ground = groundOf(drawing, day, drawing.notes.on(day));
        return ground === null ? [] : [rectangle(at, ground)];
      }),
      lines(body, between, { width: hairline(box), colour: design.line }),
      ...days.flatMap(({ day, box: at }) => dayInks(drawing, day, at, first)),
    ],
    days,
    heading: null,
  };
}

function dayInks(drawing: Omit<Drawing, "month">, day: Day, at: Rect, firstDrawn: Day): Ink[] {
  const { design, calendar, notes } = drawing;
  const language = calendar.languages[0]!;
  const pad = Math.min(at.width, at.height) * 0.06;
  const inner = rect(at.x + pad, at.y + pad, at.width - 2 * pad, at.height - 2 * pad);
  const off = notes.isOff(day);
  const figures = figureFont(drawing, off);
  const size =
    Math.min(inner.height * 0.3, inner.width * 0.14, inner.height / LINE) * Math.min(1, design.size);
  const line = rect(inner.x, inner.y, inner.width, size * LINE);
  const number = figureText(day, drawing);
  const wide = textWidth(number, figures, size);
  const { months } = language;
  const first = dateOf(day).day === 1 ? ` ${months[dateOf(day).month - 1]!}` : "";
  const on = notes.on(day);
  const moon = moonOn(drawing, on);
  const below = rect(
    inner.x,
    line.y + line.height,
    inner.width,
    inner.y + inner.height - line.y - line.height,
  );
  return [
    ...(design.marks
      ? marksAt(
          on.filter(({ mark }) => mark === "ring"),
          { x: line.x + wide / 2, y: line.y + line.height / 2 },
          size,
          wide / 2 + size * 0.28,
        )
      : []),
    ...letters(number, {
      box: line,
      type: type(figures, size, off ? design.off : design.ink),
      most: 1,
      stand: "middle",
    }),
    ...letters(`${language.days[weekdayOf(day) - 1]!}${first}`, {
      box: rect(
        line.x + wide + size * 0.4,
        line.y + size * 0.1,
        line.width - wide - size * (moon ? 1.2 : 0.4),
        line.height - size * 0.1,
      ),
      type: type(design.words, size * 0.55, design.quiet),
      most: 1,
      stand: "middle",
    }),
    ...(moon
      ? moonAt(moon, line.x + line.width - size * 0.35, line.y + line.height / 2, size * 0.28, drawing)
      : []),
    ...(design.texts ? wordsInDay(saidOn(on, day, firstDrawn), below, design.words, size * 0.6, "left") : []),
  ];
}
