import { writeNumber, type WriteOptions } from "../../base/length/index.ts";
import type { Face, PortraitStudy } from "../../photo/portrait/index.ts";
import { limited, type PersonCheck } from "./personCheck.ts";

/** Of the measure of Crété et al., at the eyes of a head 400 px high, as it is on a usual print at 300 ppi. */
const BLUR = { right: 0.58, wrong: 0.63 };
/** L* that the lightest and the darkest parts of a face reach, and the share without any detail. */
const LIGHTEST = { right: 45, wrong: 38 };
const DARKEST = { right: 45, wrong: 55 };
const BURNT = { right: 0.04, wrong: 0.1 };
/** L* that one half of the face is lighter than the other. */
const SIDES = { right: 10, wrong: 16 };
const RED = { right: 0.1, wrong: 0.3 };
/** Pixels to the inch of the print: what offices and labs ask for, and half of that. */
const PPI = { right: 295, wrong: 200 };

/** What `lightChecks` tells, in no order. */
export const LIGHT_CHECKS = ["sharp", "exposure", "light", "red"] as const;

/** What the pixels say of sharpness, exposure, even light and red eyes. */
export function lightChecks(
  { blur, face: light, red }: PortraitStudy,
  face: Face,
  { locale }: WriteOptions,
): PersonCheck[] {
  const figure = (value: number, digits = 0) => writeNumber(value, locale, 0, digits);
  const percent = (value: number) => `${figure(value * 100)} %`;
  const dark = limited("exposure", light.high, LIGHTEST, {
    says: `the face reaches L* ${figure(light.high)}`,
    allowed: `from L* ${figure(LIGHTEST.right)}`,
    todo: "The face is too dark. Give more light or exposure.",
  });
  const bright = limited("exposure", light.low, DARKEST, {
    says: `nothing darker than L* ${figure(light.low)}`,
    allowed: `L* ${figure(DARKEST.right)} or darker`,
    todo: "The face is washed out. Give less light or exposure.",
  });
  const burnt = limited("exposure", light.burnt, BURNT, {
    says: `${percent(light.burnt)} of the face without detail`,
    allowed: `up to ${percent(BURNT.right)}`,
    todo: "Parts of the face are white without detail. Give less light or exposure, or soften the light.",
  });
  const worst = [dark, bright, burnt].find(({ state }) => state === "wrong") ??
    [dark, bright, burnt].find(({ state }) => state === "look") ?? {
      ...dark,
      says: `L* ${figure(light.low)} to ${figure(light.high)}`,
      allowed: "",
    };
  const darker = light.sides > 0 ? "right" : "left";
  return [
    limited("sharp", blur.eyes, BLUR, {
      says: `blur ${figure(blur.eyes, 2)} at the eyes, ${figure(blur.hair, 2)} at the hairline`,
      allowed: `up to ${figure(BLUR.right, 2)} at the eyes`,
      todo: "The eyes are not sharp. Focus on them, hold still, and use a larger photo.",
      at: face.leftEye,
    }),
    worst,
    limited("light", Math.abs(light.sides), SIDES, {
      says: `sides ${figure(Math.abs(light.sides))} L* apart`,
      allowed: `up to ${figure(SIDES.right)}`,
      todo: `The ${darker} side of the face is in the shade. Put a light or something white at the ${darker}.`,
    }),
    limited("red", red, RED, {
      says: red < 0.01 ? "none" : `${percent(red)} of a pupil`,
      allowed: `up to ${percent(RED.right)}`,
      todo: "The pupils are red. Move the flash away from the lens and take it again.",
      at: face.leftEye,
    }),
  ];
}

/** Whether the print has the pixels that it needs. */
export const pixelCheck = (ppi: number, { locale }: WriteOptions): PersonCheck => {
  const figure = (value: number) => `${writeNumber(value, locale, 0, 0)} ppi`;
  return limited("pixels", ppi, PPI, {
    says: figure(ppi),
    allowed: "from 300 ppi",
    todo: "The photo has too few pixels for this print. Take it nearer, or with more pixels.",
  });
};
