import type { Landmarks } from "./landmarks.ts";
import type { Model } from "./models.ts";
import { fromSquare, inSquare, type Picture, type Square } from "./picture.ts";
import { along, away, boxOf, middle, slant, type Point } from "./points.ts";

const SIDE = 256;
/** What is person to this share is person. */
const PERSON = 0.3;

/** What the search for the top of a head begins with. */
export type Face = Pick<Landmarks, "leftEye" | "rightEye" | "chin">;

/** The top of a head as it is seen, hair and coverings included. */
export interface Crown {
  at: Point;
  /** How far it lies above the eyes, against the way from them down to the chin. */
  rise: number;
  /** Whether the picture ends there rather than the head. */
  cut: boolean;
}

/** One mask sees heads as far apart as this many of its usual sides; a mask takes 13 ms. */
const TOGETHER = 3;

/**
 * The tops of the heads in a picture, in the same order. One head has a mask of its own, upright with it; of several those
 * near each other share one.
 */
export async function crownsOf(model: Model, picture: Picture, faces: readonly Face[]): Promise<Crown[]> {
  const crowns = new Map<Face, Crown>();
  for (const those of together(faces)) {
    const square = those.length === 1 ? squareOf(those[0]!) : around(those);
    const input = picture.drawn(square, SIDE, (byte) => byte / 255);
    const [mask] = await model.run(input, [1, SIDE, SIDE, 3]);
    for (const face of those) crowns.set(face, crownIn(mask!, square, picture, face));
  }
  return faces.map((face) => crowns.get(face)!);
}

/** The square that shows a head as large as its mask can, with the air above it. */
function squareOf(face: Face): Square {
  const between = middle([face.leftEye, face.rightEye]);
  return {
    ...along(between, face.chin, -0.25),
    side: away(between, face.chin) * 4.2,
    angle: slant(face.leftEye, face.rightEye),
  };
}

/** Heads that one mask shows large enough, from the left to the right. */
function together(faces: readonly Face[]): Face[][] {
  const groups: Face[][] = [];
  for (const face of faces.toSorted((a, b) => a.chin.x - b.chin.x)) {
    const group = groups.at(-1);
    const least = Math.min(...[...(group ?? []), face].map((one) => squareOf(one).side));
    if (group && around([...group, face]).side <= TOGETHER * least) group.push(face);
    else groups.push([face]);
  }
  return groups;
}

/** The upright square around the squares of some heads. */
function around(faces: readonly Face[]): Square {
  const corners = faces.map(squareOf).flatMap(({ x, y, side }) => [
    { x: x - side / 2, y: y - side / 2 },
    { x: x + side / 2, y: y + side / 2 },
  ]);
  const box = boxOf(corners);
  return {
    x: (box.left + box.right) / 2,
    y: (box.top + box.bottom) / 2,
    side: Math.max(box.right - box.left, box.bottom - box.top),
    angle: 0,
  };
}

/**
 * Upwards from the eyes along the head's own axis, to the last place where a strip across the axis is still person.
 *
 *          ┌──────────┐
 *          │   ▒▒▒▒   │ ◀ the strip is person to three tenths
 *          │  ▓▓▓▓▓▓  │
 *          │ ▓▓o▓▓o▓▓ │   the search begins at the eyes
 *          └──────────┘
 */
function crownIn(
  mask: Float32Array,
  square: Square,
  picture: Picture,
  { leftEye, rightEye, chin }: Face,
): Crown {
  const between = inSquare(square, middle([leftEye, rightEye]), SIDE);
  const down = inSquare(square, chin, SIDE);
  const half = away(between, down);
  const eyes = slant(inSquare(square, leftEye, SIDE), inSquare(square, rightEye, SIDE));
  const radians = (eyes * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const strip = 0.35 * half;
  /** How much of the strip is person, some pixels of the mask above the eyes. */
  const person = (above: number) => {
    let [sum, count] = [0, 0];
    for (let across = -strip; across <= strip; across++, count++) {
      sum += valueAt(mask, between.x + across * cos + above * sin, between.y + across * sin - above * cos);
    }
    return sum / count;
  };
  const most = half * 2.6;
  let above = 0;
  let here = person(0);
  let next = here;
  while (above < most && (next = person(above + 1)) > PERSON) {
    above++;
    here = next;
  }
  // Between two steps, where the strip is person to just that share.
  above += here > next ? (here - PERSON) / (here - next) : 0;
  const at = fromSquare(square, (between.x + above * sin) / SIDE, (between.y - above * cos) / SIDE);
  const inside = at.y > 0.004 * picture.height && at.x > 0 && at.x < picture.width;
  return { at, rise: above / half, cut: !inside };
}

/** The mask at a place, its pixels' middles at halves; nothing is person beside it. */
function valueAt(mask: Float32Array, x: number, y: number): number {
  const [left, top] = [Math.floor(x - 0.5), Math.floor(y - 0.5)];
  if (left < 0 || top < 0 || left >= SIDE - 1 || top >= SIDE - 1) return 0;
  const [across, below] = [x - 0.5 - left, y - 0.5 - top];
  const i = top * SIDE + left;
  const upper = mask[i]! * (1 - across) + mask[i + 1]! * across;
  const lower = mask[i + SIDE]! * (1 - across) + mask[i + SIDE + 1]! * across;
  return upper * (1 - below) + lower * below;
}
