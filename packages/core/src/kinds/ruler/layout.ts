import { waysToLie, type Size } from "../../base/geometry/index.ts";
import { mm, nearest, um, writeMeasure, type Um } from "../../base/length/index.ts";
import type { Stroke } from "../../finish/graphics/index.ts";
import type { Type } from "../../finish/words/index.ts";
import type { Job } from "../../job/index.ts";
import { numberedSheet } from "../../schema/index.ts";
import type { LaidWords, Layout } from "../layout.ts";

/** Bare paper at both ends of a scale: more than any printer leaves unprinted. */
const INSET = mm(15);
const LINE = { width: um(150), colour: "#000000" };
const TICK = { every: mm(10), short: mm(1.5), long: mm(4), end: mm(8) };
const WORDS: Type = { font: "hanken", size: mm(4), least: mm(2), colour: "#000000", align: "left" };

/** The lengths of the two scales of a ruler sheet on paper as it lies: whole centimetres, as long as there is room. */
export const rulerLengths = ({ width, height }: Size): { across: Um; down: Um } => ({
  across: um(Math.max(mm(10), Math.floor((width - 2 * INSET) / mm(10)) * mm(10))),
  down: um(Math.max(mm(10), Math.floor((height - 2 * INSET) / mm(10)) * mm(10))),
});

/**
 * Two scales about the middle of the paper, with a tick every centimetre:
 *
 *        │├─┬─┬─┬─┬─┬─┬─┤      across, a quarter down
 *        ├
 *        ├  words
 *        ┴  down, a quarter across
 */
export function layOutRuler({ sheet, target }: Job): Layout {
  const lying = waysToLie(sheet, sheet.paper)[0]!;
  const { across, down } = rulerLengths(lying);
  const [left, top] = [nearest((lying.width - across) / 2), nearest((lying.height - down) / 2)];
  const [x, y] = [nearest(lying.width / 4), nearest(lying.height / 4)];
  const lines = [
    ...scale(across, (from, to, at) => ({
      x1: um(left + at),
      x2: um(left + at),
      y1: um(y + from),
      y2: um(y + to),
    })),
    { x1: left, x2: um(left + across), y1: y, y2: y, ...LINE },
    ...scale(down, (from, to, at) => ({
      x1: um(x + from),
      x2: um(x + to),
      y1: um(top + at),
      y2: um(top + at),
    })),
    { x1: x, x2: x, y1: top, y2: um(top + down), ...LINE },
  ];
  const write = { unit: "mm", ppi: target.ppi } as const;
  const words: LaidWords[] = [
    `Measure from end to end. Across: ${writeMeasure(across, write)}`,
    `Down: ${writeMeasure(down, write)}`,
    `[job]`,
  ].map((text, i) => ({
    text,
    type: WORDS,
    box: {
      x: um(x + mm(8)),
      y: um(y + mm(14) + i * mm(7)),
      width: um(lying.width - x - mm(12)),
      height: mm(6),
    },
  }));
  return {
    sheets: [{ name: numberedSheet(1), paper: sheet.paper, lying, cells: [], words, lines }],
    sums: { columns: 0, rows: 0, perSheet: 0, pieces: 0, mostPerSheet: 0 },
  };
}

/** The ticks of a scale: long at five centimetres, longest at its ends. */
function scale(
  length: Um,
  at: (from: number, to: number, along: number) => Omit<Stroke, "width" | "colour">,
): Stroke[] {
  const count = length / TICK.every;
  return Array.from({ length: count + 1 }, (_, i) => {
    const reach = i === 0 || i === count ? TICK.end : i % 5 === 0 ? TICK.long : TICK.short;
    return { ...at(-reach, reach, i * TICK.every), ...LINE };
  });
}
