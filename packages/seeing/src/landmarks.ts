import type { Found } from "./detect.ts";
import type { Model } from "./models.ts";
import { fromSquare, type Picture, type Square } from "./picture.ts";
import { away, boxOf, middle, slant, type Point } from "./points.ts";

const SIDE = 192;
const POINTS = 468;

/** Points by their number in the model's mesh. Left and right are as the picture is seen. */
const MESH = {
  chin: 152,
  forehead: 10,
  /** Outer corner, inner corner, upper lid, lower lid. */
  leftEye: [33, 133, 159, 145],
  rightEye: [263, 362, 386, 374],
  leftEar: 234,
  rightEar: 454,
  /** Corners and the middles of the inner lips. */
  mouth: [78, 308, 13, 14],
} as const;

/** A face by its points. */
export interface Landmarks {
  leftEye: Point;
  rightEye: Point;
  chin: Point;
  leftEar: Point;
  rightEar: Point;
  /** How sure the model is that it is a face, 0…1. */
  presence: number;
  /** Where the face looks: degrees to the right as the picture is seen, and upwards. */
  yaw: number;
  pitch: number;
  /** How far eyes and mouth are open: height against width. */
  eyes: { left: number; right: number };
  mouth: number;
}

/** A frame that shows a face less than this far off, in shares of its side, is as good as another. */
const FRAMED = {
  well: { aside: 0.03, side: 0.06, angle: 3 },
  usable: { aside: 0.08, side: 0.15, angle: 8 },
};

/** The points of a face that was found. It is looked at again where the first look did not frame it as it should. */
export async function landmarks(
  model: Model,
  picture: Picture,
  found: Found,
  framed: keyof typeof FRAMED,
): Promise<Landmarks> {
  const limit = FRAMED[framed];
  const { x, y, size, leftEye, rightEye } = found;
  const first: Square = { x, y, side: size * 1.5, angle: slant(leftEye, rightEye) };
  const looked = await look(model, picture, first);
  const second = frameOf(looked.points);
  const off = away(first, second) / second.side;
  const isFramed =
    off < limit.aside &&
    Math.abs(first.side / second.side - 1) < limit.side &&
    Math.abs(first.angle - second.angle) < limit.angle;
  return read(isFramed ? looked : await look(model, picture, second));
}

interface Looked {
  points: (Point & { z: number })[];
  presence: number;
}

async function look(model: Model, picture: Picture, square: Square): Promise<Looked> {
  const input = picture.drawn(square, SIDE, (byte) => byte / 255);
  const outputs = await model.run(input, [1, SIDE, SIDE, 3]);
  const mesh = outputs.find(({ length }) => length === POINTS * 3)!;
  const flag = outputs.find(({ length }) => length === 1)!;
  const points = Array.from({ length: POINTS }, (_, i) => ({
    ...fromSquare(square, mesh[i * 3]! / SIDE, mesh[i * 3 + 1]! / SIDE),
    z: (mesh[i * 3 + 2]! / SIDE) * square.side,
  }));
  return { points, presence: 1 / (1 + Math.exp(-flag[0]!)) };
}

/** The square that shows a face as the model was trained to see it: half as large again as its points. */
function frameOf(points: readonly Point[]): Square {
  const box = boxOf(points);
  return {
    x: (box.left + box.right) / 2,
    y: (box.top + box.bottom) / 2,
    side: Math.max(box.right - box.left, box.bottom - box.top) * 1.5,
    angle: slant(points[MESH.leftEye[0]]!, points[MESH.rightEye[0]]!),
  };
}

function read({ points, presence }: Looked): Landmarks {
  const at = (number: number) => points[number]!;
  const eye = (numbers: readonly number[]) => middle(numbers.map(at));
  const [leftEar, rightEar, chin, forehead] = [
    at(MESH.leftEar),
    at(MESH.rightEar),
    at(MESH.chin),
    at(MESH.forehead),
  ];
  return {
    leftEye: eye(MESH.leftEye),
    rightEye: eye(MESH.rightEye),
    chin,
    leftEar,
    rightEar,
    presence,
    // The mesh is in space: nearer points have a smaller z.
    yaw: degrees(rightEar.z - leftEar.z, away(leftEar, rightEar)),
    pitch: degrees(chin.z - forehead.z, away(forehead, chin)),
    eyes: { left: opening(MESH.leftEye.map(at)), right: opening(MESH.rightEye.map(at)) },
    mouth: opening(MESH.mouth.map(at)),
  };
}

/** Height against width of what two corners, an upper and a lower middle enclose. */
const opening = ([from, to, upper, lower]: Point[]): number => away(upper!, lower!) / away(from!, to!);

const degrees = (rise: number, run: number): number => (Math.atan2(rise, run) * 180) / Math.PI;
