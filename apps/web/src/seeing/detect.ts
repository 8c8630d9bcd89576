import type { Model } from "./models.ts";
import { drawn, type Picture } from "./picture.ts";

/** A face as it was found: the middle of its box and points, in pixels of the picture. */
export interface Found {
  score: number;
  x: number;
  y: number;
  size: number;
  /** The eyes as the picture is seen: left and right. */
  leftEye: { x: number; y: number };
  rightEye: { x: number; y: number };
}

const SIDE = 128;
const LEAST_SCORE = 0.5;
/** Boxes that share more than this are one face. */
const SAME = 0.3;

/** Faces in a picture, the largest first. Small ones are looked for in the picture's middle parts too. */
export async function detect(model: Model, picture: Picture): Promise<Found[]> {
  // The whole picture, white around it where it is not square.
  const side = Math.max(picture.width, picture.height);
  const [left, top] = [(picture.width - side) / 2, (picture.height - side) / 2];
  const square = { x: left + side / 2, y: top + side / 2, side, angle: 0 };
  const pixels = drawn(picture, square, SIDE, (value) => value / 127.5 - 1);
  const outputs = await model.run(pixels, [1, SIDE, SIDE, 3]);
  const boxes = outputs.find(({ length }) => length === ANCHORS.length * 16)!;
  const scores = outputs.find(({ length }) => length === ANCHORS.length)!;
  const found: Found[] = [];
  ANCHORS.forEach(([ax, ay], i) => {
    const score = 1 / (1 + Math.exp(-Math.min(100, Math.max(-100, scores[i]!))));
    if (score < LEAST_SCORE) return;
    const at = (k: number) => ({
      x: left + (boxes[i * 16 + k]! / SIDE + ax) * side,
      y: top + (boxes[i * 16 + k + 1]! / SIDE + ay) * side,
    });
    const { x, y } = at(0);
    const size = (Math.max(boxes[i * 16 + 2]!, boxes[i * 16 + 3]!) / SIDE) * side;
    found.push({ score, x, y, size, leftEye: at(4), rightEye: at(6) });
  });
  found.sort((a, b) => b.score - a.score);
  const kept: Found[] = [];
  for (const one of found) if (!kept.some((other) => shared(one, other) > SAME)) kept.push(one);
  return kept.sort((a, b) => b.size - a.size);
}

/** The area that two square boxes share, as a share of what they cover together. */
function shared(a: Found, b: Found): number {
  const along = (p: number, q: number) =>
    Math.max(0, Math.min(p + a.size / 2, q + b.size / 2) - Math.max(p - a.size / 2, q - b.size / 2));
  const both = along(a.x, b.x) * along(a.y, b.y);
  return both / (a.size ** 2 + b.size ** 2 - both);
}

/** The model's own places in its picture: two on each square of 8 px, six on each of 16 px, at their middles. */
const ANCHORS: readonly (readonly [x: number, y: number])[] = [...grid(16, 2), ...grid(8, 6)];

function grid(cells: number, each: number): [number, number][] {
  return Array.from({ length: cells * cells * each }, (_, i) => {
    const cell = Math.floor(i / each);
    return [((cell % cells) + 0.5) / cells, (Math.floor(cell / cells) + 0.5) / cells];
  });
}
