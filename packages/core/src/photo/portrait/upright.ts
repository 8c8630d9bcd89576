import type { DocumentRule } from "../../catalogue/rules/index.ts";
import type { PixelSize } from "../crop/index.ts";
import type { Face, FacePoint } from "./face.ts";

/** A head in photo pixels, seen with its eyes level: y grows down, the origin is the middle between the eyes. */
export interface UprightHead {
  /** Middle between the eyes in the photo, in its pixels. */
  origin: { x: number; y: number };
  /** How far the photo has to be turned for the eyes to be level, degrees clockwise. */
  level: number;
  /** Up from the eyes to the crown, down from the eyes to the chin, both positive for a head that stands upright. */
  crown: number;
  chin: number;
  /** How far hair stands above that crown: 0 where the rule counts it. */
  hair: number;
  /** Ear to ear; null where the ears are not known. */
  width: number | null;
}

/** Degrees that the eyes are off level: how far the photo is turned to mend it. Clockwise is positive. */
export function eyesOffLevel({ leftEye, rightEye }: Face, photo: PixelSize): number {
  const across = (rightEye.x - leftEye.x) * photo.width;
  const down = (rightEye.y - leftEye.y) * photo.height;
  return (-Math.atan2(down, across) * 180) / Math.PI;
}

/** The point where the head ends for a rule: at the hair, or at the skull where that is marked. */
export const crownFor = (face: Face, { crown }: Pick<DocumentRule, "crown">): FacePoint =>
  crown === "skull" ? (face.skull ?? face.crown) : face.crown;

/** Measures a head in its photo, the photo turned by `level` degrees. */
export function uprightHead(
  face: Face,
  photo: PixelSize,
  rule: Pick<DocumentRule, "crown">,
  level = eyesOffLevel(face, photo),
): UprightHead {
  const { leftEye, rightEye, chin, ears } = face;
  const px = ({ x, y }: FacePoint) => ({ x: x * photo.width, y: y * photo.height });
  const [left, right] = [px(leftEye), px(rightEye)];
  const origin = { x: (left.x + right.x) / 2, y: (left.y + right.y) / 2 };
  const radians = (level * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const across = (point: FacePoint) => (px(point).x - origin.x) * cos - (px(point).y - origin.y) * sin;
  const down = (point: FacePoint) => (px(point).x - origin.x) * sin + (px(point).y - origin.y) * cos;
  const crown = -down(crownFor(face, rule));
  return {
    origin,
    level,
    crown,
    hair: Math.max(0, -down(face.crown) - crown),
    chin: down(chin),
    width: ears ? Math.abs(across(ears.right) - across(ears.left)) : null,
  };
}
