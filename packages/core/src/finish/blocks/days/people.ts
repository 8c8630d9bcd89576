import { daysOfMonth } from "../../../base/day/index.ts";
import type { Rect } from "../../../base/geometry/index.ts";
import type { Calendar } from "../../../calendar/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { letters, rectangle } from "../inks.ts";
import { barsIn } from "./bars.ts";
import { wordsInDay } from "./dayWords.ts";
import { paler, rect, type, type Drawing, type Rows } from "./drawing.ts";
import type { Design } from "./schema.ts";

/** Somebody who has a column; without days of their own as long as nobody is named. */
export interface Person {
  source: string | null;
  name: string;
}

/** Columns to write in before anybody has days. */
const EMPTY = 4;

/** Everyone who has a column: where days come from, but for days off and what the sky does. */
export function peopleOf({ sources }: Pick<Calendar, "sources">): Person[] {
  const people = Object.entries(sources)
    .filter(([, { shown, off, from }]) => shown && !off && !["moon", "sun", "dates"].includes(from.kind))
    .map(([source, { name }]): Person => ({ source, name }));
  return people.length > 0 ? people : Array.from({ length: EMPTY }, () => ({ source: null, name: "" }));
}

/** Their names above their columns. */
export const namesInks = (
  people: readonly Person[],
  { across, figure }: Pick<Rows, "across" | "figure">,
  design: Design,
  row: Rect,
): Ink[] =>
  people.flatMap(({ name }, i) =>
    letters(name, {
      box: rect(across[i]!, row.y, across[i + 1]! - across[i]!, row.height),
      type: type(design.figures, figure * 0.72, design.ink, "middle"),
      most: 1,
      stand: "middle",
    }),
  );

/** What one of them has in a month: a field over its days, its words in it. */
export function columnInks(
  { notes, month, design }: Drawing,
  { source }: Person,
  column: number,
  { row, figure, across }: Rows,
): Ink[] {
  if (source === null) return [];
  const { first, count } = daysOfMonth(month);
  const own = notes.all
    .filter((note) => note.source === source)
    .map((note) => ({ ...note, mark: "bar" as const }));
  const bars = barsIn(own, first, first + count - 1, () => true);
  const lanes = bars.reduce((most, { lane }) => Math.max(most, lane + 1), 1);
  const [left, right] = [across[column]!, across[column + 1]!];
  const wide = (right - left) / lanes;
  return bars.flatMap(({ note, from, to, lane }) => {
    const [a, b] = [row(from), row(to)];
    const gap = Math.min(wide, a.height) * 0.06;
    const field = rect(left + lane * wide + gap, a.y + gap, wide - 2 * gap, b.y + b.height - a.y - 2 * gap);
    const inner = rect(field.x + gap * 3, field.y, field.width - gap * 6, field.height);
    return [
      rectangle(field, paler(note.colour, 0.8)),
      ...(design.texts && note.words ? wordsInDay([note], inner, design.words, figure * 0.62, "left") : []),
    ];
  });
}
