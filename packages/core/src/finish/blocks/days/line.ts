import { daysOfMonth, weekdayOf } from "../../../base/day/index.ts";
import { equal } from "../../../solve/collage/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { inCut, textWidth } from "../../words/index.ts";
import { edgesOf, letters, rectangle } from "../inks.ts";
import { wordsInDay } from "./dayWords.ts";
import { LINE, rect, type, within, type DayBox, type Drawing, type Drawn } from "./drawing.ts";
import { besideNear, headingApart } from "./heading.ts";
import { figureFont, figureText, groundOf, saidOn } from "./onDay.ts";
import { marksAt } from "./signs.ts";

/** Columns of every month, so that they stand alike from month to month. */
const COLUMNS = 31;

/**
 * All days on one line:
 *
 *     March                                       2027
 *     M T W T F S S M T W …
 *     1 2 3 4 5 6 7 8 9 10 …
 */
export function drawLine(drawing: Drawing): Drawn {
  const { month, box, design, calendar, notes } = drawing;
  const { first, count } = daysOfMonth(month);
  const heading = design.heading ? 0.42 : 0;
  const title = rect(box.x, box.y, box.width, box.height * heading * 0.86);
  const names = (1 - heading) * 0.32;
  const across = edgesOf(box.x, box.width, equal(COLUMNS));
  const wide = box.width / COLUMNS;
  const top = box.y + box.height * heading;
  const daysTop = top + box.height * names;
  const rest = box.y + box.height - daysTop;
  const texts = design.texts ? 0.45 : 0.8;
  const two = textWidth("30", inCut(design.figures, "bold"), 1);
  const figure = Math.min(((rest * texts) / LINE) * design.size, rest / LINE, (wide * 0.94) / two);
  const language = calendar.languages[0]!;
  const days: DayBox[] = [];
  const grounds: Ink[] = [];
  const written: Ink[] = [];
  for (let i = 0; i < count; i++) {
    const day = first + i;
    const at = rect(across[i]!, top, across[i + 1]! - across[i]!, box.y + box.height - top);
    days.push({ day, box: at });
    const on = notes.on(day);
    const ground = groundOf(drawing, day, on);
    if (ground !== null) grounds.push(rectangle(at, ground));
    const off = notes.isOff(day);
    const name = rect(at.x, top, at.width, daysTop - top);
    const figureBox = rect(at.x, daysTop, at.width, Math.max(figure * LINE, rest * texts));
    if (design.marks)
      grounds.push(
        ...marksAt(
          on,
          { x: figureBox.x + figureBox.width / 2, y: figureBox.y + figureBox.height / 2 },
          figure,
        ),
      );
    written.push(
      ...letters(language.narrowDays[weekdayOf(day) - 1]!, {
        box: name,
        type: type(
          design.words,
          Math.min(within(name, figure * 0.6), wide * 0.8),
          off ? design.off : design.quiet,
          "middle",
        ),
        most: 1,
        stand: "middle",
      }),
      ...letters(figureText(day, drawing), {
        box: figureBox,
        type: type(figureFont(drawing, off), figure, off ? design.off : design.ink, "middle"),
        most: 1,
        stand: "middle",
      }),
    );
    if (!design.texts) continue;
    const below = figureBox.y + figureBox.height;
    written.push(
      ...wordsInDay(
        saidOn(on, day, first),
        rect(at.x + wide * 0.05, below, at.width - wide * 0.1, box.y + box.height - below),
        design.words,
        figure * 0.4,
        "middle",
      ),
    );
  }
  return {
    inks: [
      ...(design.heading ? headingApart(besideNear(title, design), month, calendar, design) : []),
      ...grounds,
      ...written,
    ],
    days,
    heading: design.heading ? title : null,
  };
}
