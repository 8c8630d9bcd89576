import type { FacePlacement } from "../photo/portrait/index.ts";
import type { CheckName } from "../report/people/index.ts";
import type { JudgedSight } from "./sight.ts";

/** What is missing at one side alone, against what is missing at the other, is mended by moving over. */
const ONE_SIDED = 0.5;

/** A word to the sitter, and what it is about: where they are, how they look, or what the pixels say. */
export interface CameraWord {
  says: string;
  about: "place" | "face" | "pixels";
}

/**
 * The one thing that somebody before the camera should do next, in a few words; null where nothing is left to do. What is
 * coarse comes first: who is there, how far away, how the head is held, the face, then the light and what is behind.
 * Left and right are the sitter’s own, who sees the picture mirrored.
 */
export function cameraWord(judged: JudgedSight): CameraWord | null {
  const place = placeWord(judged);
  if (place !== null) return { says: place, about: "place" };
  const face = faceWord(judged);
  if (face !== null) return { says: face, about: "face" };
  const open = openOf(judged);
  const name = (Object.keys(OF_PIXELS) as CheckName[]).find((one) => open.has(one));
  if (name) return { says: OF_PIXELS[name]!, about: "pixels" };
  // Figures that no word is there for keep the camera waiting too.
  const other = judged.checks.find((check) => open.has(check.name));
  return other ? { says: `${other.title} is not right yet`, about: "face" } : null;
}

/** What is wrong, or what a person would have to look at. */
const openOf = ({ checks }: JudgedSight): ReadonlySet<CheckName> =>
  new Set(checks.filter(({ state }) => state === "wrong" || state === "look").map(({ name }) => name));

function placeWord(judged: JudgedSight): string | null {
  const { face, placement } = judged;
  const open = openOf(judged);
  if (!face || !placement) return "Step in front of the camera";
  if (open.has("alone")) return "One person alone, please";
  const move = moveFor(placement);
  if (move) return move;
  if (open.has("whole")) return "A little farther back";
  return open.has("pixels") ? "A little nearer" : null;
}

function faceWord(judged: JudgedSight): string | null {
  const open = openOf(judged);
  if (open.has("level")) return "Hold your head upright";
  if (open.has("centre")) return "Into the middle, please";
  if (open.has("straight")) return lookFor(judged.face!.pose);
  if (open.has("eyes")) return "Open your eyes";
  return open.has("mouth") ? "Close your mouth" : null;
}

/** Where the crop would reach over the picture’s edge, as a step of the sitter. */
function moveFor({ off, short, contradicts }: FacePlacement): string | null {
  if (off === 0) return null;
  if (contradicts || !short) return "Look straight into the camera";
  const { top, right, bottom, left } = short;
  if (Math.min(left, right) > ONE_SIDED * Math.max(left, right) && left + right > 0)
    return "A little farther back";
  if (Math.min(top, bottom) > ONE_SIDED * Math.max(top, bottom) && top + bottom > 0)
    return "A little farther back";
  const most = Math.max(top, right, bottom, left);
  // The sitter looks at us: what is at the right of the picture is at their left.
  if (most === left) return "A little to your left";
  if (most === right) return "A little to your right";
  return most === top ? "A little lower" : "A little farther back";
}

function lookFor(pose: { pitch: number; yaw: number } | null): string {
  if (!pose || Math.abs(pose.yaw) > 8) return "Look straight into the camera";
  return pose.pitch > 25 ? "Chin up a little" : "Chin down a little";
}

const OF_PIXELS: Partial<Record<CheckName, string>> = {
  exposure: "The light on your face is not right",
  light: "One side of your face is in the shade",
  red: "Your pupils are red: no flash, please",
  shadow: "A shadow is behind you: step forward",
  even: "The background is not even",
  background: "The background has another colour",
  sharp: "Hold still",
};
