import type { Quarter } from "../crop/index.ts";
import { bottom, type Rect } from "../geometry/index.ts";
import { mm, um } from "../length/index.ts";
import type { Caption } from "./types.ts";

/** Between the finished edge and the text, and the height of the text's box. */
const AWAY = mm(0.6);
const BOX = mm(3.2);

/** The height of a name's font where it has room, and the least that is still read. */
const SIZE = { usual: mm(2.6), least: mm(1.2) };

/** Breadth of a letter as a share of the font's height, generously. */
const LETTER = 0.58;

/**
 * A name under an upright piece, in the middle; with a piece that lies on its side it lies at the left, a quarter
 * clockwise as the piece is. A long name is set smaller; one that is too long even then is cut with an ellipsis.
 */
export function captionUnder(finished: Rect, turn: Quarter, text: string): Caption {
  const upright = turn % 180 === 0;
  const room = upright ? finished.width : finished.height;
  const fitting = Math.floor(room / (LETTER * Math.max(1, text.length)));
  const size = um(Math.max(SIZE.least, Math.min(SIZE.usual, fitting)));
  const letters = Math.floor(room / (LETTER * size));
  const short = text.length > letters ? `${text.slice(0, Math.max(1, letters - 1)).trimEnd()}…` : text;
  const box: Rect = upright
    ? { x: finished.x, y: um(bottom(finished) + AWAY), width: finished.width, height: BOX }
    : { x: um(finished.x - AWAY - BOX), y: finished.y, width: BOX, height: finished.height };
  return { text: short, box, size, turn };
}
