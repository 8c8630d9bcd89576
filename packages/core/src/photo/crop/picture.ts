import { area, overlap, turnedSize, type Quarter, type Rect, type Size } from "../../base/geometry/index.ts";
import { nearest, um, UM_PER_INCH } from "../../base/length/index.ts";
import type { Sits } from "./schema.ts";

/** A photo's size in pixels, after the turn its EXIF flag asks for. */
export interface PixelSize {
  width: number;
  height: number;
}

/** How a whole photo lies behind a cell: the part outside the cell's image rectangle is what is cropped. */
export interface Picture {
  /** Where the whole photo lies on the sheet, after its turn and before it is levelled. */
  placed: Rect;
  turn: Quarter;
  /** Turned by this about the middle of what it covers, degrees clockwise. The cell itself stays upright. */
  level: number;
  /** Share of the photo's area that is not on the finished piece, 0…1. */
  loss: number;
  /** Photo pixels per printed inch. */
  ppi: number;
}

/**
 * Places a photo in a piece. The piece stands upright with its finished rectangle at `finished`; the image runs
 * on by the slack on all sides, and it is the image that has to be covered.
 *
 *        placed (the whole photo)
 *      ┌─────────────────────────┐
 *      │    ┌───────────┐ image  │     fill   the photo covers the image, and stays over it
 *      │    │ ┌───────┐ │        │     whole  the photo lies inside the image, touching two sides
 *      │    │ │finished │        │     free   anywhere, any scale
 *      │    │ └───────┘ │        │
 *      └────┴───────────┴────────┘     `centre` is the point of the photo at the middle of the piece
 */
export function placePicture(photo: PixelSize, finished: Rect, image: Rect, shot: Sits): Picture {
  const turn = quarterFor(photo, image, shot);
  const lying = turnedSize(photo, turn);
  const covered = leaning(image, shot.level);
  const perPixel = umPerPixel(lying, covered, shot);
  const width = lying.width * perPixel;
  const height = lying.height * perPixel;
  const whole = shot.fit === "whole";
  let x = image.x + image.width / 2 - (whole ? 0.5 : shot.centre.x) * width;
  let y = image.y + image.height / 2 - (whole ? 0.5 : shot.centre.y) * height;
  if (shot.fit === "fill") {
    x = clamp(x, covered.x + covered.width - width, covered.x);
    y = clamp(y, covered.y + covered.height - height, covered.y);
  }
  const placed = fromEdges(x, y, x + width, y + height);
  const seen = overlap(placed, finished);
  return {
    placed,
    turn,
    level: shot.level,
    loss: seen ? 1 - area(seen) / area(placed) : 1,
    ppi: UM_PER_INCH / perPixel,
  };
}

/**
 * A rectangle as a photo sees it that was turned by `level` degrees about its middle: the upright box around the
 * rectangle turned back. A photo covers the rectangle exactly when it covers this box.
 *
 *        ┌────╱╲──┐
 *        │  ╱    ╲│     width = w · |cos| + h · |sin|
 *        │╲      ╱│
 *        └──╲──╱──┘
 */
export function leaning(rect: Rect, level: number): { x: number; y: number; width: number; height: number } {
  if (level === 0) return rect;
  const radians = (level * Math.PI) / 180;
  const [cos, sin] = [Math.abs(Math.cos(radians)), Math.abs(Math.sin(radians))];
  const width = rect.width * cos + rect.height * sin;
  const height = rect.width * sin + rect.height * cos;
  return { x: rect.x + (rect.width - width) / 2, y: rect.y + (rect.height - height) / 2, width, height };
}

/** The scale limits that keep a shot sensible: a filled cell is always covered. */
export const leastScale = (shot: Pick<Sits, "fit">): number => (shot.fit === "fill" ? 1 : 0.05);

/** Micrometres on paper of one photo pixel. */
function umPerPixel(photo: PixelSize, image: { width: number; height: number }, shot: Sits): number {
  const across = image.width / photo.width;
  const down = image.height / photo.height;
  switch (shot.fit) {
    case "fill":
      return Math.max(across, down) * Math.max(1, shot.scale);
    case "whole":
      return Math.min(across, down);
    case "free":
      return Math.max(across, down) * shot.scale;
  }
}

/** The turn that is asked for, or for “suit” the side that shows more of the photo. */
function quarterFor(photo: PixelSize, image: Size, shot: Sits): Quarter {
  if (shot.turn !== "suit") return shot.turn;
  const photoLies = photo.width > photo.height;
  const cellLies = image.width > image.height;
  const square = photo.width === photo.height || image.width === image.height;
  return !square && photoLies !== cellLies ? 90 : 0;
}

/** Rounds the edges of a rectangle to whole micrometres, not its size. */
function fromEdges(left: number, top: number, right: number, bottom: number): Rect {
  const x = nearest(left);
  const y = nearest(top);
  return { x, y, width: um(nearest(right) - x), height: um(nearest(bottom) - y) };
}

const clamp = (value: number, least: number, most: number) => Math.min(Math.max(value, least), most);
