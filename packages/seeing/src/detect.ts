import type { Model } from "./models.ts";
import { fromSquare, type Picture, type Square } from "./picture.ts";
import type { Point } from "./points.ts";

/** A face as it was found: the middle of its box and points, in pixels of the picture. */
export interface Found {
  score: number;
  x: number;
  y: number;
  size: number;
  /** The eyes as the picture is seen: left and right. */
  leftEye: Point;
  rightEye: Point;
}

const SIDE = 192;
/** The model has one place of its own on each square of 4 px, at its middle. */
const PLACES = SIDE / 4;
/** Less than this is no face; less than CLEAR is looked at once more, close up, where it has to be at least LIKELY. */
const LEAST_SCORE = 0.3;
const CLEAR = 0.6;
const LIKELY = 0.5;
/** Boxes that share more than this are one face. */
const SAME = 0.3;
/** Faces smaller than this share of the picture's longer side are looked for in its quarters too. */
const SMALL = 0.07;
/** The side of the square that a face is looked at in close up, in sides of its box. */
const CLOSE = 4;

/** Faces in a picture, the largest first. Where they are small, its quarters are looked at as well, half over each other. */
export async function detect(model: Model, picture: Picture): Promise<Found[]> {
  const { whole } = picture;
  const found = await detectIn(model, picture, whole);
  const largest = found[0];
  if (largest && largest.size < SMALL * whole.side) {
    for (const quarter of quarters(picture)) found.push(...(await detectIn(model, picture, quarter)));
  }
  const seen: Found[] = [];
  for (const one of distinct(found)) {
    if (one.score >= CLEAR) seen.push(one);
    else {
      const near = await detectIn(model, picture, { ...one, side: one.size * CLOSE, angle: 0 });
      const best = near.toSorted((a, b) => shared(b, one) - shared(a, one))[0];
      if (best && best.score >= LIKELY && shared(best, one) > 0) seen.push(best);
    }
  }
  return distinct(seen);
}

/** Squares of five ninths of the picture's side, as many as it takes to see all of it with room between. */
function quarters({ width, height }: Picture): Square[] {
  const side = Math.max(width, height) * (5 / 9);
  const along = (length: number) => (length <= side ? [length / 2] : [side / 2, length - side / 2]);
  return along(height).flatMap((y) => along(width).map((x) => ({ x, y, side, angle: 0 })));
}

async function detectIn(model: Model, picture: Picture, square: Square): Promise<Found[]> {
  const pixels = picture.drawn(square, SIDE, (byte) => byte / 127.5 - 1);
  const outputs = await model.run(pixels, [1, SIDE, SIDE, 3]);
  const count = PLACES * PLACES;
  const boxes = outputs.find(({ length }) => length === count * 16)!;
  const scores = outputs.find(({ length }) => length === count)!;
  const found: Found[] = [];
  for (let i = 0; i < count; i++) {
    const score = 1 / (1 + Math.exp(-Math.min(100, Math.max(-100, scores[i]!))));
    if (score < LEAST_SCORE) continue;
    const [ax, ay] = [((i % PLACES) + 0.5) / PLACES, (Math.floor(i / PLACES) + 0.5) / PLACES];
    const at = (k: number) =>
      fromSquare(square, boxes[i * 16 + k]! / SIDE + ax, boxes[i * 16 + k + 1]! / SIDE + ay);
    const { x, y } = at(0);
    const size = (Math.max(boxes[i * 16 + 2]!, boxes[i * 16 + 3]!) / SIDE) * square.side;
    found.push({ score, x, y, size, leftEye: at(4), rightEye: at(6) });
  }
  return distinct(found);
}

/** Every face once, as the surest of its boxes has it; the largest first. */
function distinct(found: readonly Found[]): Found[] {
  const kept: Found[] = [];
  for (const one of found.toSorted((a, b) => b.score - a.score)) {
    if (!kept.some((other) => shared(one, other) > SAME)) kept.push(one);
  }
  return kept.sort((a, b) => b.size - a.size);
}

/** The area that two square boxes share, as a share of what they cover together. */
function shared(a: Found, b: Found): number {
  const along = (p: number, q: number) =>
    Math.max(0, Math.min(p + a.size / 2, q + b.size / 2) - Math.max(p - a.size / 2, q - b.size / 2));
  const both = along(a.x, b.x) * along(a.y, b.y);
  return both / (a.size ** 2 + b.size ** 2 - both);
}
