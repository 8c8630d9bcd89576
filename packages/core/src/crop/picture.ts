import { area, overlap, type Rect, type Size } from "../geometry/index.ts";
import { nearest, um, UM_PER_INCH } from "../length/index.ts";
import type { Shot } from "../job/index.ts";

/** A quarter turn, degrees clockwise. */
export type Quarter = 0 | 90 | 180 | 270;

/** A photo's size in pixels, after the turn its EXIF flag asks for. */
export interface PixelSize {
  width: number;
  height: number;
}

/** How a whole photo lies behind a cell: the part outside the cell's image rectangle is what is cropped. */
export interface Picture {
  /** Where the whole photo lies on the sheet, after its turn. */
  placed: Rect;
  turn: Quarter;
  /** Share of the photo's area that is not on the finished piece, 0…1. */
  loss: number;
  /** Photo pixels per printed inch. */
  ppi: number;
}

/** Turns a photo or a piece further. */
export const turnedBy = (a: Quarter, b: Quarter): Quarter => ((a + b) % 360) as Quarter;

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
export function placePicture(photo: PixelSize, finished: Rect, image: Rect, shot: Shot): Picture {
  const turn = quarterFor(photo, image, shot);
  const lying = turn % 180 === 0 ? photo : { width: photo.height, height: photo.width };
  const perPixel = umPerPixel(lying, image, shot);
  const width = lying.width * perPixel;
  const height = lying.height * perPixel;
  const whole = shot.fit === "whole";
  let x = image.x + image.width / 2 - (whole ? 0.5 : shot.centre.x) * width;
  let y = image.y + image.height / 2 - (whole ? 0.5 : shot.centre.y) * height;
  if (shot.fit === "fill") {
    x = clamp(x, image.x + image.width - width, image.x);
    y = clamp(y, image.y + image.height - height, image.y);
  }
  const placed = fromEdges(x, y, x + width, y + height);
  const seen = overlap(placed, finished);
  return {
    placed,
    turn,
    loss: seen ? 1 - area(seen) / area(placed) : 1,
    ppi: UM_PER_INCH / perPixel,
  };
}

/** The scale limits that keep a shot sensible: a filled cell is always covered. */
export const leastScale = (shot: Pick<Shot, "fit">): number => (shot.fit === "fill" ? 1 : 0.05);

/** Micrometres on paper of one photo pixel. */
function umPerPixel(photo: PixelSize, image: Size, shot: Shot): number {
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
function quarterFor(photo: PixelSize, image: Size, shot: Shot): Quarter {
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
