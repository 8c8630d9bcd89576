import type { Rect } from "../../../base/geometry/index.ts";
import { um } from "../../../base/length/index.ts";
import type { Note } from "../../../calendar/index.ts";
import type { Ink, PathInk } from "../../graphics/index.ts";
import { circle } from "../inks.ts";
import type { Drawing } from "./drawing.ts";

/** Dots of one day at most. */
const MOST_DOTS = 4;

/** Rings around a figure and dots below it, or at its right where `beside` says how far from its middle. */
export function marksAt(
  notes: readonly Note[],
  { x, y }: { x: number; y: number },
  size: number,
  beside: number | null = null,
): Ink[] {
  const ringed = notes.find(({ mark }) => mark === "ring");
  const dotted = notes.filter(({ mark }) => mark === "dot").slice(0, MOST_DOTS);
  const radius = size * 0.085;
  const dot = (i: number) =>
    beside === null
      ? { x: x + (i - (dotted.length - 1) / 2) * 3 * radius, y: y + size * 0.6 }
      : { x: x + beside + (ringed ? size * 0.4 : 0) + i * 3 * radius, y };
  return [
    ...(ringed
      ? [
          circle(x, y, size * (beside === null ? 0.8 : 0.66), null, {
            width: um(Math.max(20, Math.round(size * 0.06))),
            colour: ringed.colour,
          }),
        ]
      : []),
    ...dotted.map(({ colour }, i) => circle(dot(i).x, dot(i).y, radius, colour)),
  ];
}

/**
 * The moon as it is seen from the north: new a filled disc, full an open one, half of it dark at its quarters. (The dark
 * half is at the left in the first quarter, also where all else is turned round.)
 */
export function moonAt(
  phase: NonNullable<Note["moon"]>,
  x: number,
  y: number,
  radius: number,
  { design, calendar }: Pick<Drawing, "design" | "calendar">,
): Ink[] {
  const colour = design.quiet;
  const stroke = { width: um(Math.max(20, Math.round(radius * 0.16))), colour };
  if (phase === "new") return [circle(x, y, radius, colour, stroke)];
  const rim = circle(x, y, radius, null, stroke);
  if (phase === "full") return [rim];
  const side = (phase === "first quarter") === calendar.languages[0]!.leftwards ? 1 : -1;
  const whole = circle(x, y, radius, colour);
  const h = radius * 0.5523;
  const half: PathInk = {
    ...whole,
    commands: [
      ["M", x, y - radius],
      ["C", x + side * h, y - radius, x + side * radius, y - h, x + side * radius, y],
      ["C", x + side * radius, y + h, x + side * h, y + radius, x, y + radius],
      ["Z"],
    ],
  };
  return [half, rim];
}

/** A small photo that covers a day. */
export function photoIn(photo: string, box: Rect, proportion: number): Ink {
  const wide = Math.max(box.width, box.height * proportion);
  const high = wide / proportion;
  return {
    kind: "picture",
    of: { kind: "photo", id: photo },
    rect: {
      x: um(Math.round(box.x + (box.width - wide) / 2)),
      y: um(Math.round(box.y + (box.height - high) / 2)),
      width: um(Math.round(wide)),
      height: um(Math.round(high)),
    },
    turn: 0,
    opacity: 1,
    blend: "normal",
    clip: box,
  };
}
