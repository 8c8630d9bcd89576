import type { Face, FacePoint } from "@wide-quilt/core";
import { detect, type Found } from "./detect.ts";
import type { Models } from "./models.ts";
import { drawn, fromSquare, type Picture, type Square } from "./picture.ts";

/** What was found in a photo: a face and how far it can be relied on, or a sentence that says why there is none. */
export type FaceFinding = { face: Face; why: string } | { face: null; why: string };

type Point = { x: number; y: number };

/** Landmarks by their number in the model's mesh. Left and right are as the picture is seen. */
const MESH = {
  chin: 152,
  forehead: 10,
  leftEye: [33, 133, 159, 145],
  rightEye: [263, 362, 386, 374],
  leftEar: 234,
  rightEar: 454,
};

/** Less than this of the two models’ own certainty, and a person is asked to look. */
const SURE = { score: 0.8, presence: 0.9 };

const NO_FACE = "No face was found in this photo. Set the crown, the chin and the eyes by hand.";

/** A head that ends lower than this above its eyes, against the way down to the chin, is none. */
const LEAST_RISE = 0.4;

/** Hair that stands higher than this share of the head above the skull is told apart from it. */
const HIGH_HAIR = 0.07;

/**
 * Finds the one face of a portrait: box and eyes, then 468 landmarks, then the top of the head in a mask of the person,
 * hair included. The largest face is taken; a second one is said.
 */
export async function findFace(models: Models, picture: Picture): Promise<FaceFinding> {
  const found = await detect(models.detection, picture);
  const first = found[0];
  if (!first) {
    return { face: null, why: NO_FACE };
  }
  const { points, presence } = await landmarks(models, picture, first);
  const eyeOf = (numbers: readonly number[]) => middle(numbers.map((n) => points[n]!));
  const [leftEye, rightEye] = [eyeOf(MESH.leftEye), eyeOf(MESH.rightEye)];
  const chin = points[MESH.chin]!;
  const between = middle([leftEye, rightEye]);
  const top = await topOfHead(models, picture, { between, chin, leftEye, rightEye });
  if (presence < 0.5 || top.rise < LEAST_RISE) return { face: null, why: NO_FACE };
  const crown = top.at;
  const height = away(crown, chin);
  // An adult's eyes lie half way down the skull.
  const skull = along(between, chin, -1);
  const isHigh = away(crown, between) - away(skull, between) > HIGH_HAIR * height;
  const share = ({ x, y }: Point): FacePoint => ({
    x: round(x / picture.width),
    y: round(y / picture.height),
  });
  const doubts = [
    ...(found.length > 1 && found[1]!.size > 0.5 * first.size
      ? ["There is a second face in this photo; the larger one was taken."]
      : []),
    ...(top.cut ? ["The photo seems to cut the top of the head off."] : []),
    ...(first.score < SURE.score || presence < SURE.presence || top.unclear
      ? ["This face was not found beyond doubt."]
      : []),
  ];
  return {
    face: {
      crown: share(crown),
      skull: isHigh ? share(skull) : null,
      chin: share(chin),
      leftEye: share(leftEye),
      rightEye: share(rightEye),
      ears: { left: share(points[MESH.leftEar]!), right: share(points[MESH.rightEar]!) },
      sure: doubts.length === 0,
    },
    why: doubts.length === 0 ? "" : `${doubts.join(" ")} Look whether the handles are where they should be.`,
  };
}

/** The landmarks of a found face, in pixels of the picture, and how sure the model is that it is one. */
async function landmarks(models: Models, picture: Picture, { x, y, size, leftEye, rightEye }: Found) {
  let square: Square = { x, y, side: size * 1.5, angle: slant(leftEye, rightEye) };
  let points: Point[] = [];
  let presence = 0;
  // The second look is framed by what the first one saw.
  for (let look = 0; look < 2; look++) {
    const input = drawn(picture, square, 192, (byte) => byte / 255);
    const outputs = await models.landmarks.run(input, [1, 192, 192, 3]);
    const mesh = outputs.find(({ length }) => length === 468 * 3)!;
    const flag = outputs.find(({ length }) => length === 1);
    presence = flag ? 1 / (1 + Math.exp(-flag[0]!)) : 0;
    points = Array.from({ length: 468 }, (_, i) =>
      fromSquare(square, mesh[i * 3]! / 192, mesh[i * 3 + 1]! / 192),
    );
    const box = boxOf(points);
    square = {
      x: (box.left + box.right) / 2,
      y: (box.top + box.bottom) / 2,
      side: Math.max(box.right - box.left, box.bottom - box.top) * 1.5,
      angle: slant(points[MESH.leftEye[0]!]!, points[MESH.rightEye[0]!]!),
    };
  }
  return { points, presence };
}

/**
 * The top of the head: upwards from the eyes along the head's own axis, the last row of the mask that is still person, in
 * a strip about the axis. The mask is made of the head alone, so that its 256 pixels are fine enough.
 */
async function topOfHead(
  models: Models,
  picture: Picture,
  { between, chin, leftEye, rightEye }: { between: Point; chin: Point; leftEye: Point; rightEye: Point },
) {
  const half = away(between, chin);
  const angle = slant(leftEye, rightEye);
  const middleOfHead = along(between, chin, -0.25);
  const square: Square = { ...middleOfHead, side: half * 4.2, angle };
  const input = drawn(picture, square, 256, (byte) => byte / 255);
  const [mask] = await models.segmentation.run(input, [1, 256, 256, 3]);
  const value = (across: number, down: number) => mask![down * 256 + across]!;
  const strip = Math.round((0.35 * half * 256) / square.side);
  const eyesRow = Math.round(128 + ((0.25 * half) / square.side) * 256);
  /** How much of the strip is person in a row. */
  const row = (down: number) => {
    let sum = 0;
    for (let across = 128 - strip; across <= 128 + strip; across++) sum += value(across, down);
    return sum / (2 * strip + 1);
  };
  let down = eyesRow;
  while (down > 0 && row(down) > 0.3) down--;
  // Between two rows, where the strip is person to three tenths.
  const [above, below] = [row(Math.max(0, down)), row(down + 1)];
  const part = below > above ? (0.3 - above) / (below - above) : 0;
  const at = fromSquare(square, 0.5, (down + part + 0.5) / 256);
  const inPicture = at.y > 0.004 * picture.height && at.x > 0 && at.x < picture.width;
  const rise = away(at, between) / half;
  return { at, rise, cut: !inPicture, unclear: rise < 0.75 || rise > 1.7 };
}

const middle = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});
const away = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
const along = (from: Point, to: Point, share: number): Point => ({
  x: from.x + (to.x - from.x) * share,
  y: from.y + (to.y - from.y) * share,
});
const slant = (left: Point, right: Point): number =>
  (Math.atan2(right.y - left.y, right.x - left.x) * 180) / Math.PI;
const round = (value: number): number => Math.round(value * 1e5) / 1e5;

function boxOf(points: readonly Point[]) {
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}
