import { writeNumber, type WriteOptions } from "../../base/length/index.ts";
import type { Face } from "../../photo/portrait/index.ts";
import { limited, notMeasured, type PersonCheck } from "./personCheck.ts";

/**
 * Eyes and lips by the points of the face: height against width. Open eyes of the sitters that are rendered for the tests have 0.35
 * and more, shut ones 0.31 and less; the model knows no better where lids are narrow, so a person looks there.
 */
const OPEN = { right: 0.33, wrong: 0.12 };
const APART = { right: 0.12, wrong: 0.2 };
/** ISO/IEC 19794-5:2005, 7.2.2, has a yaw of at most 5°; the points tell it to some three. */
const YAW = { right: 8, wrong: 11 };
/** Up and down the points tell less: usual faces have 10 to 20 by them. */
const PITCH = { least: 3, most: 25 };

/** How someone looks: eyes, mouth, and whether straight into the camera. */
export function poseChecks(face: Face, { locale }: WriteOptions): PersonCheck[] {
  const { pose } = face;
  if (!pose) {
    const todo = "The head was set by hand. Look at this yourself, or have it found again.";
    return [notMeasured("eyes", todo), notMeasured("mouth", todo), notMeasured("straight", todo)];
  }
  const { eyes, mouth, yaw, pitch } = pose;
  const figure = (value: number) => writeNumber(value, locale, 0, 2);
  const degrees = (value: number) => `${writeNumber(value, locale, 0, 0)}°`;
  const worse = eyes.left < eyes.right ? "left" : "right";
  const narrow = eyes[worse];
  const straight = limited("straight", Math.abs(yaw), YAW, {
    says: Math.abs(yaw) < 1 ? "straight" : `${degrees(Math.abs(yaw))} to the ${yaw > 0 ? "right" : "left"}`,
    allowed: `up to ${degrees(YAW.right)}`,
    todo: `Turn the head to the ${yaw > 0 ? "left" : "right"} as the picture is seen, to look straight into the camera.`,
  });
  const isNodding = pitch < PITCH.least || pitch > PITCH.most;
  return [
    limited("eyes", narrow, OPEN, {
      says: figure(narrow),
      allowed: `from ${figure(OPEN.right)}`,
      todo: "The eyes may be shut or narrow. Look at this yourself; open them for the next shot.",
      at: worse === "left" ? face.leftEye : face.rightEye,
    }),
    limited("mouth", mouth, APART, {
      says: figure(mouth),
      allowed: `up to ${figure(APART.right)}`,
      todo: "Close the mouth.",
      at: face.chin,
    }),
    straight.state === "right" && isNodding
      ? {
          ...straight,
          state: "look",
          says: pitch > PITCH.most ? "chin down" : "chin up",
          todo: "The head may be tilted down or up. Look at this yourself; hold it level for the next shot.",
        }
      : straight,
  ];
}
