import { um, writeMeasure, writeNumber, type WriteOptions } from "../../base/length/index.ts";
import { FIGURE_WORDS, type FaceOnPiece, type Figure } from "../../photo/portrait/index.ts";
import { CHECK_WORDS, limited, type PersonCheck } from "./personCheck.ts";

/** More slant than this an office refuses (ISO/IEC 19794-5: roll of at most 8°). */
const MOST_SLANT = 8;
/** The middle of the face from the middle of the piece, a share of its width (ISO/IEC 19794-5: 45 to 55 %). */
const ASIDE = 0.05;

/** The figures of the rule, and that the head is upright and in the middle. */
export function geometryChecks(
  { figures, slant, aside }: FaceOnPiece,
  width: number,
  write: WriteOptions,
): PersonCheck[] {
  const degrees = (value: number) => `${writeNumber(value, write.locale, 0, 1)}°`;
  return [
    ...figures.map((figure): PersonCheck => {
      const { name, value, allowed, passes } = figure;
      return {
        name,
        title: CHECK_WORDS[name],
        state: value === null ? "not measured" : passes ? "right" : "wrong",
        says: value === null ? "" : lengthOf(value, write),
        allowed:
          allowed.from === allowed.to
            ? lengthOf(allowed.to, write)
            : `${lengthOf(allowed.from, write)} to ${lengthOf(allowed.to, write)}`,
        todo: passes ? "" : sayFigure(figure, write),
        at: null,
      };
    }),
    limited(
      "centre",
      Math.abs(aside) / width,
      { right: ASIDE, wrong: ASIDE },
      {
        says:
          Math.abs(aside) < 100
            ? "in the middle"
            : `${lengthOf(Math.abs(aside), write)} to the ${aside > 0 ? "right" : "left"}`,
        allowed: `up to ${lengthOf(ASIDE * width, write)}`,
        todo: "The face is not in the middle. Leave more room at the side that is too near, or give the crop back to the rule.",
      },
    ),
    limited(
      "level",
      Math.abs(slant),
      { right: MOST_SLANT, wrong: MOST_SLANT },
      {
        says: degrees(Math.abs(slant)),
        allowed: `up to ${degrees(MOST_SLANT)}`,
        todo: "The head is tilted. Hold it upright, or give the crop back to the rule, which levels the eyes.",
      },
    ),
  ];
}

const lengthOf = (value: number, write: WriteOptions): string =>
  writeMeasure(um(Math.round(value / 100) * 100), write);

/** "Head height is 38.2 mm, 2.2 mm too much." */
export function sayFigure({ name, value, allowed }: Figure, write: WriteOptions): string {
  if (value === null) return `${FIGURE_WORDS[name]} needs the handles at the ears.`;
  const length = (of: number) => writeMeasure(um(Math.round(of / 10) * 10), write);
  if (value > allowed.to)
    return `${FIGURE_WORDS[name]} is ${length(value)}, ${length(value - allowed.to)} too much.`;
  if (value < allowed.from)
    return `${FIGURE_WORDS[name]} is ${length(value)}, ${length(allowed.from - value)} too little.`;
  return `${FIGURE_WORDS[name]} is ${length(value)}.`;
}
