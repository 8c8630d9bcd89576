import type { Face } from "@wide-quilt/core";
import type { Person } from "./person.ts";
import { CLOSE, type Frame } from "./portrait.ts";

/** Where the head ends on the drawing, by how the hair is worn; `demo.test.ts` measures it in what is rendered. */
const CROWN: Record<Person["style"], number> = {
  parted: 170,
  short: 166,
  long: 164,
  curly: 117,
  bun: 102,
  bald: 194,
  scarf: 158,
};

const CHIN = 568;
const EYES = 396;
/** From the middle of the face, on a face of middle breadth. */
const EYE = 60;
const EAR = 150;

/** Where the head is in a portrait: known, because it was drawn there. */
export function headOf(
  { style, breadth }: Person,
  width: number,
  height: number,
  frame: Frame = CLOSE,
): Face {
  // The drawing covers the picture and is cut off evenly on both sides (“slice”).
  const scale = Math.max(width / frame.width, height / frame.height);
  const share = (x: number, y: number) => ({
    x: 0.5 + ((350 + x * breadth - frame.x - frame.width / 2) * scale) / width,
    y: 0.5 + ((y - frame.y - frame.height / 2) * scale) / height,
  });
  return {
    crown: share(0, CROWN[style]),
    skull: null,
    chin: share(0, CHIN),
    leftEye: share(-EYE, EYES),
    rightEye: share(EYE, EYES),
    ears: { left: share(-EAR, EYES), right: share(EAR, EYES) },
    sure: true,
  };
}
