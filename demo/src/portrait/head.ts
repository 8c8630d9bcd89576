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
export function headOf(person: Person, width: number, height: number, frame: Frame = CLOSE): Face {
  // The drawing covers the picture and is cut off evenly on both sides (“slice”).
  const scale = Math.max(width / frame.width, height / frame.height);
  return pointsOf(person, (x, y) => ({
    x: 0.5 + ((x - frame.x - frame.width / 2) * scale) / width,
    y: 0.5 + ((y - frame.y - frame.height / 2) * scale) / height,
  }));
}

/** Where the head is, its places on the drawing taken elsewhere by a function. */
export function pointsOf({ style, breadth }: Person, there: (x: number, y: number) => Face["chin"]): Face {
  const at = (x: number, y: number) => there(350 + x * breadth, y);
  return {
    crown: at(0, CROWN[style]),
    skull: null,
    chin: at(0, CHIN),
    leftEye: at(-EYE, EYES),
    rightEye: at(EYE, EYES),
    ears: { left: at(-EAR, EYES), right: at(EAR, EYES) },
    sure: true,
    pose: null,
  };
}
