import bidiFactory from "bidi-js";

const bidi = bidiFactory();

/** Scripts that are written from right to left. */
const LEFTWARDS = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/u;

/** Figures of Arabic and Persian, which go from left to right among letters that do not. */
const FIGURES = /[\u0660-\u0669\u06f0-\u06f9]/u;

/**
 * A run as the library of fonts is given it. That takes the figures of Arabic for letters of it and turns them round, so
 * they are turned round before.
 */
export const forFont = ({ text, leftwards }: Run): string =>
  !leftwards && FIGURES.test(text) ? [...text].reverse().join("") : text;

const ARABIC_LETTERS = /[\u0620-\u064a\u0671-\u06d3]/u;

/**
 * Whether letters of a run are drawn with shapes that several of them share, a body here and dots there, so that no shape says
 * which letter it is: what was meant is told besides (ISO 32000-2, 14.9.4).
 */
export const sharesShapes = ({ text, leftwards }: Run): boolean => leftwards && ARABIC_LETTERS.test(text);

/** A part of a line whose letters all go one way. */
export interface Run {
  text: string;
  leftwards: boolean;
}

/**
 * The parts of a line from left to right as they are seen, by the Unicode Bidirectional Algorithm (UAX 9) in a line that
 * itself goes from left to right: SVG and the browser set it so too. A PDF has letters where they are put.
 *
 *     "Ebb مد 12:30"   →   Ebb · 12:30 · دم        what was said first is read first: the run of Arabic and what follows it
 */
export function runsOf(line: string): Run[] {
  if (!LEFTWARDS.test(line) && !FIGURES.test(line)) return [{ text: line, leftwards: false }];
  const { levels } = bidi.getEmbeddingLevels(line, "ltr");
  const runs: { start: number; end: number; level: number }[] = [];
  for (let i = 0; i < line.length; i++) {
    const last = runs.at(-1);
    if (last && last.level === levels[i]) last.end = i + 1;
    else runs.push({ start: i, end: i + 1, level: levels[i]! });
  }
  // UAX 9, rule L2: from the highest level down, whatever is at that level or above is turned round.
  for (let level = Math.max(...levels); level > 0; level--) {
    for (let i = 0; i < runs.length; i++) {
      let end = i;
      while (end < runs.length && runs[end]!.level >= level) end++;
      if (end > i + 1) runs.splice(i, end - i, ...runs.slice(i, end).reverse());
      i = Math.max(i, end - 1);
    }
  }
  return runs.map(({ start, end, level }) => ({ text: line.slice(start, end), leftwards: level % 2 === 1 }));
}
