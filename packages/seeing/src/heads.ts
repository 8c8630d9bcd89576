import { LIMITS, type Face, type FacePoint } from "@wide-quilt/core";
import { crownsOf, type Crown } from "./crown.ts";
import { detect, type Found } from "./detect.ts";
import { landmarks, type Landmarks } from "./landmarks.ts";
import type { Models } from "./models.ts";
import type { Picture } from "./picture.ts";
import { along, away, middle, type Point } from "./points.ts";

/** More faces than this are a group. */
const GROUP = 2;

/** Less than this of a model's own certainty and it is no face, or one that a person is asked to look at. */
const FACE = 0.5;
const SURE = { score: 0.75, presence: 0.9 };

/** A head that ends lower than this above its eyes, against the way down to the chin, is none; usual ones lie between. */
const LEAST_RISE = 0.4;
const USUAL_RISE = { from: 0.75, to: 1.9 };

/** Hair that stands higher than this share of the head above the skull is told apart from it. */
const HIGH_HAIR = 0.07;

/**
 * Finds the heads in a photo, the largest first: faces near and far, their points, and the top of each head in a mask of the
 * person, hair included. A model that runs takes 7 to 16 ms.
 */
export async function findHeads(models: Models, picture: Picture): Promise<Face[]> {
  const found = await detect(models.detection, picture);
  // Document photos are measured to tenths of a millimetre; a group is cropped.
  const isGroup = found.length > GROUP;
  const faces: { found: Found; points: Landmarks }[] = [];
  for (const one of found.slice(0, LIMITS.heads)) {
    const points = await landmarks(models.landmarks, picture, one, isGroup ? "usable" : "well");
    if (points.presence >= FACE) faces.push({ found: one, points });
  }
  const crowns = await crownsOf(
    models.segmentation,
    picture,
    faces.map(({ points }) => points),
  );
  return faces.flatMap(({ found, points }, i) =>
    crowns[i]!.rise < LEAST_RISE ? [] : [headFrom(picture, found, points, crowns[i]!)],
  );
}

function headFrom({ width, height }: Picture, found: Found, points: Landmarks, crown: Crown): Face {
  const { leftEye, rightEye, chin, leftEar, rightEar, presence, yaw, pitch, eyes, mouth } = points;
  const between = middle([leftEye, rightEye]);
  // An adult's eyes lie half way down the skull.
  const skull = along(between, chin, -1);
  const isHigh = away(crown.at, between) - away(skull, between) > HIGH_HAIR * away(crown.at, chin);
  const share = ({ x, y }: Point): FacePoint => ({ x: rounded(x / width, 5), y: rounded(y / height, 5) });
  const isUsual = crown.rise >= USUAL_RISE.from && crown.rise <= USUAL_RISE.to;
  return {
    crown: share(crown.at),
    skull: isHigh ? share(skull) : null,
    chin: share(chin),
    leftEye: share(leftEye),
    rightEye: share(rightEye),
    ears: { left: share(leftEar), right: share(rightEar) },
    sure: found.score >= SURE.score && presence >= SURE.presence && isUsual && !crown.cut,
    pose: {
      score: rounded(found.score * presence, 3),
      yaw: rounded(yaw, 1),
      pitch: rounded(pitch, 1),
      eyes: { left: rounded(eyes.left, 3), right: rounded(eyes.right, 3) },
      mouth: rounded(mouth, 3),
      cut: crown.cut,
    },
  };
}

const rounded = (value: number, digits: number): number => Math.round(value * 10 ** digits) / 10 ** digits;
