import type { PixelSize } from "../crop/index.ts";
import type { Face, FacePoint } from "../portrait/index.ts";

/** A rectangle of a photo by its edges, in pixels. */
export interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Half the width of a head against its height, where the ears say nothing or hair stands wider than they do. */
const HALF_WIDTH = 0.37;
/** Hair at the sides of the ears, a share of the way to them. */
const HAIR = 1.12;

/**
 * The box around a head, its hair included, in pixels of the upright photo: around the ellipse from crown to chin that is as
 * wide as the ears are apart, and a little wider.
 *
 *         ┌──.-"-.──┐
 *         │ /     \ │    half axes a (to crown and chin) and b, turned by φ:
 *         │|  o o  |│    half width  √(a² sin² φ + b² cos² φ)
 *         │ \  -  / │    half height √(a² cos² φ + b² sin² φ)
 *         └──`-_-'──┘
 */
export function headBox({ crown, chin, ears }: Face, photo: PixelSize): Box {
  const px = ({ x, y }: FacePoint) => ({ x: x * photo.width, y: y * photo.height });
  const [top, foot] = [px(crown), px(chin)];
  const [dx, dy] = [foot.x - top.x, foot.y - top.y];
  const height = long(dx, dy);
  const apart = ears ? long(px(ears.right).x - px(ears.left).x, px(ears.right).y - px(ears.left).y) : 0;
  const [a, b] = [height / 2, Math.max((apart / 2) * HAIR, HALF_WIDTH * height)];
  const [sin, cos] = height === 0 ? [0, 1] : [dx / height, dy / height];
  const halfWidth = long(a * sin, b * cos);
  const halfHeight = long(a * cos, b * sin);
  const [x, y] = [(top.x + foot.x) / 2, (top.y + foot.y) / 2];
  return { left: x - halfWidth, top: y - halfHeight, right: x + halfWidth, bottom: y + halfHeight };
}

/** Math.hypot is exact to the last bit, and ten times slower. */
const long = (x: number, y: number): number => Math.sqrt(x * x + y * y);

/** The middle between the eyes, in pixels. */
export const eyesOf = ({ leftEye, rightEye }: Face, photo: PixelSize) => ({
  x: ((leftEye.x + rightEye.x) / 2) * photo.width,
  y: ((leftEye.y + rightEye.y) / 2) * photo.height,
});
