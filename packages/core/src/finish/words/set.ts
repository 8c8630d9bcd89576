import { around, type Rect } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import { textWidth, type FontId } from "./fonts.ts";
import type { Type } from "./schema.ts";

/** Words set in a box: every line has its place, so that all painters set them alike. */
export interface SetText {
  lines: SetLine[];
  font: FontId;
  /** Height of the font. */
  size: Um;
  colour: string;
  /** 0 nothing is seen … 1 nothing shines through. */
  opacity: number;
  /** Where x of a line is: at its left end, in its middle or at its right end. */
  align: Type["align"];
  /** The box, before it is turned about its middle by `turn` degrees clockwise. */
  box: Rect;
  turn: number;
  /** Words that had no room even at their least size, and were cut off. */
  cut: boolean;
}

export interface SetLine {
  text: string;
  x: Um;
  /** The baseline. */
  y: Um;
}

/**
 * Letters that are hard to read on paper: their small ones are about half as high as the font, and 0.6 mm is half of what the
 * European Union asks of words on packages (Regulation 1169/2011, Article 13(2)), about 4 pt.
 */
export const SMALL = um(1400);
/** From the middle of a line down to its baseline, a share of the font's height: half of a capital letter. */
const BASELINE = 0.35;
/** From baseline to baseline. */
const LEADING = 1.25;
/** By how much the font shrinks in a step. */
const STEP = 0.96;

export interface Setting {
  box: Rect;
  type: Type;
  /** Lines at most. */
  most: number;
  /** Where the lines stand in a box that is higher than they are. */
  stand: "top" | "middle" | "foot";
  turn?: number;
  opacity?: number;
}

/**
 * Sets words in a box: broken at spaces, shrunk until they fit, at the least size cut off with an ellipsis. Null where
 * there is nothing to set.
 *
 *     ┌─────────────────┐
 *     │    Little tern  │ ← baseline 0.35 of the height below the middle of its line
 *     │     1/250 …     │ ← leading 1.25 of the height
 *     └─────────────────┘
 */
export function setWords(
  text: string,
  { box, type, most, stand, turn = 0, opacity = 1 }: Setting,
): SetText | null {
  const paragraphs = text
    .normalize("NFC")
    .split("\n")
    .map((line) => line.trim());
  if (paragraphs.every((line) => line === "") || box.width <= 0 || box.height <= 0) return null;
  let size: number = type.size;
  let broken = broke(paragraphs, type.font, size, box.width);
  const room = () => Math.max(1, Math.min(most, Math.floor(box.height / (LEADING * size) + 0.2)));
  while ((broken.lines.length > room() || broken.tooWide) && size > type.least) {
    size = Math.max(type.least, Math.floor(size * STEP));
    broken = broke(paragraphs, type.font, size, box.width);
  }
  const kept = broken.lines.slice(0, room());
  const last = kept.length - 1;
  const more = broken.lines.length > kept.length;
  const lines = kept.map((line, i) => shortened(line, type.font, size, box.width, more && i === last));
  const height = lines.length * LEADING * size;
  const top = { top: box.y, middle: box.y + (box.height - height) / 2, foot: box.y + box.height - height }[
    stand
  ];
  const x = { left: box.x, middle: box.x + box.width / 2, right: box.x + box.width }[type.align];
  return {
    lines: lines.map((line, i) => ({
      text: line,
      x: um(Math.round(x)),
      y: um(Math.round(top + (i + 0.5) * LEADING * size + BASELINE * size)),
    })),
    font: type.font,
    size: um(size),
    colour: type.colour,
    opacity,
    align: type.align,
    box,
    turn,
    cut: more || broken.tooWide,
  };
}

/** The height that lines of a type take. */
export const linesHeight = (lines: number, size: Um): Um => um(Math.ceil(lines * LEADING * size));

/** What letters take above and below their baseline at most, shares of their height. */
const ASCENT = 0.8;
const DESCENT = 0.25;

/** The smallest upright rectangle that holds the letters of words, whatever room their box has besides. */
export function inkedBox({ lines, font, size, align, box, turn }: SetText): Rect {
  if (turn !== 0) return around({ finished: box, angle: turn });
  const widths = lines.map(({ text }) => textWidth(text, font, size));
  const lefts = lines.map(({ x }, i) => x - { left: 0, middle: 0.5, right: 1 }[align] * widths[i]!);
  const left = Math.floor(Math.min(...lefts));
  const top = Math.floor(lines[0]!.y - ASCENT * size);
  const right = Math.ceil(Math.max(...lefts.map((from, i) => from + widths[i]!)));
  const bottom = Math.ceil(lines.at(-1)!.y + DESCENT * size);
  return { x: um(left), y: um(top), width: um(right - left), height: um(bottom - top) };
}

/** Breaks paragraphs at spaces; scripts that have none are broken between signs. */
function broke(
  paragraphs: readonly string[],
  font: FontId,
  size: number,
  width: number,
): { lines: string[]; tooWide: boolean } {
  const lines: string[] = [];
  let tooWide = false;
  for (const paragraph of paragraphs) {
    // Most words need no second line.
    if (textWidth(paragraph, font, size) <= width) {
      lines.push(paragraph);
      continue;
    }
    let line = "";
    for (const piece of pieces(paragraph)) {
      const longer = line + piece;
      if (line === "" || textWidth(longer.trimEnd(), font, size) <= width) line = longer;
      else {
        lines.push(line.trimEnd());
        line = piece.trimStart();
      }
      tooWide ||= textWidth(line.trimEnd(), font, size) > width;
    }
    lines.push(line.trimEnd());
  }
  return { lines, tooWide };
}

/** Chinese, Japanese and Korean signs, between which a line may break. */
const WIDE = /[\u2e80-\u9fff\uac00-\ud7af\uf900-\ufaff\uff00-\uffef]/u;

/** Where a line may end: after spaces, and after every wide sign. */
function pieces(paragraph: string): string[] {
  return paragraph.split(/(?<=\s)(?=\S)/u).flatMap((word) => (WIDE.test(word) ? [...word] : [word]));
}

/** The line, cut off with an ellipsis where it is too wide or where more would follow. */
function shortened(line: string, font: FontId, size: number, width: number, more: boolean): string {
  if (!more && textWidth(line, font, size) <= width) return line;
  const signs = [...line];
  while (signs.length > 1 && textWidth(`${signs.join("").trimEnd()}…`, font, size) > width) signs.pop();
  return `${signs.join("").trimEnd()}…`;
}
