import type { Rect } from "../../../base/geometry/index.ts";
import { um } from "../../../base/length/index.ts";
import type { Ink, PathStep } from "../../graphics/index.ts";
import type { Drawn } from "./drawing.ts";

/** What was drawn from left to right, from right to left in the same box. Letters and pictures stay as they are, elsewhere. */
export function mirrored({ inks, days, heading }: Drawn, { x, width }: Rect): Drawn {
  const sum = 2 * x + width;
  const point = (at: number) => sum - at;
  const rect = (at: Rect): Rect => ({ ...at, x: um(sum - at.x - at.width) });
  const step = (one: PathStep): PathStep => {
    switch (one[0]) {
      case "Z":
        return one;
      case "C":
        return ["C", point(one[1]), one[2], point(one[3]), one[4], point(one[5]), one[6]];
      default:
        return [one[0], point(one[1]), one[2]];
    }
  };
  const ink = (one: Ink): Ink => {
    const clip = one.clip && rect(one.clip);
    switch (one.kind) {
      case "text":
        return {
          ...one,
          clip,
          text: {
            ...one.text,
            box: rect(one.text.box),
            align: ({ left: "right", middle: "middle", right: "left" } as const)[one.text.align],
            lines: one.text.lines.map((line) => ({ ...line, x: um(point(line.x)) })),
          },
        };
      case "picture":
        return { ...one, clip, rect: rect(one.rect) };
      case "path":
        return { ...one, clip, box: rect(one.box), commands: one.commands.map(step) };
    }
  };
  return {
    inks: inks.map(ink),
    days: days.map(({ day, box }) => ({ day, box: rect(box) })),
    heading: heading && rect(heading),
  };
}
