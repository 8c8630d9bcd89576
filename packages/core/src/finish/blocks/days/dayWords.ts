import type { Rect } from "../../../base/geometry/index.ts";
import { um } from "../../../base/length/index.ts";
import type { Note } from "../../../calendar/index.ts";
import type { Ink } from "../../graphics/index.ts";
import { fontFor, setWords, SMALL, type FontId, type Type } from "../../words/index.ts";
import { letters } from "../inks.ts";
import { LINE, rect, type } from "./drawing.ts";

const STEP = 0.94;

/** What is written: its words, and their colour. */
export type Said = Pick<Note, "text" | "colour">;

/**
 * Sets what a day means one below the other: in the largest size in which all of it fits, at its least size as much as
 * fits, the last line cut off with an ellipsis and how many more there are. Nothing leaves the box.
 */
export function wordsInDay(
  said: readonly Said[],
  box: Rect,
  font: FontId,
  wanted: number,
  align: Type["align"],
): Ink[] {
  const texts = said.filter(({ text }) => text.trim() !== "");
  if (texts.length === 0 || box.width <= 0 || box.height <= 0) return [];
  const most = Math.min(wanted, box.height / LINE);
  const least = Math.min(SMALL, most);
  let size = most;
  let lines = countLines(texts, box, font, size);
  while (size > least && (lines === null || sum(lines) * LINE * size > box.height)) {
    size = Math.max(least, size * STEP);
    lines = countLines(texts, box, font, size);
  }
  return stacked(texts, box, font, Math.floor(size), align);
}

/** How many lines each text takes; null where a word is wider than the box. */
function countLines(texts: readonly Said[], box: Rect, font: FontId, size: number): number[] | null {
  const counts = texts.map(({ text }) => {
    const set = setWords(text, {
      box: { ...box, height: um(box.height * 100) },
      type: fixed(fontFor(text, font), size, "#000000", "left"),
      most: 99,
      stand: "top",
    });
    return set === null ? 0 : set.cut ? null : set.lines.length;
  });
  return counts.some((count) => count === null) ? null : (counts as number[]);
}

const fixed = (font: FontId, size: number, colour: string, align: Type["align"]): Type => {
  const own = type(font, size, colour, align);
  return { ...own, least: own.size };
};

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);

function stacked(texts: readonly Said[], box: Rect, font: FontId, size: number, align: Type["align"]): Ink[] {
  const height = LINE * size;
  const room = Math.max(1, Math.floor(box.height / height));
  const inks: Ink[] = [];
  let taken = 0;
  for (const [i, { text, colour }] of texts.entries()) {
    const more = texts.length - i - 1;
    const left = room - taken;
    // The last line says how many there are besides.
    const isLast = left === 1 && more > 0;
    const words = isLast ? `${text} +${more}` : text;
    const at = rect(box.x, box.y + taken * height, box.width, box.height - taken * height);
    const own = letters(words, { box: at, type: fixed(font, size, colour, align), most: left, stand: "top" });
    inks.push(...(isLast ? own.map(cut) : own));
    taken += own.reduce((count, ink) => count + (ink.kind === "text" ? ink.text.lines.length : 0), 0);
    if (taken >= room) return more > 0 && !isLast ? [...inks.slice(0, -1), ...inks.slice(-1).map(cut)] : inks;
  }
  return inks;
}

/** Words that are not all there are. */
const cut = (ink: Ink): Ink => (ink.kind === "text" ? { ...ink, text: { ...ink.text, cut: true } } : ink);
