import { overlap, turnedAbout, um, type CellPlan, type Quarter, type Rect } from "@wide-quilt/core";

/** A part of a photo as shares of its width and height: 0 is its left or upper edge, 1 its right or lower one. */
export interface Part {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

export const WHOLE: Part = { left: 0, top: 0, right: 1, bottom: 1 };

export const areaOf = ({ left, top, right, bottom }: Part): number => (right - left) * (bottom - top);

/** The part of a cell's photo, as it lies on the sheet, that is seen; null when the photo lies beside the cell. */
export function seenPart(cell: CellPlan): { part: Part; rect: Rect } | null {
  const { picture } = cell;
  const rect = picture && overlap(seenBox(cell, picture.level), picture.placed);
  if (!rect) return null;
  const { x, y, width, height } = picture.placed;
  return {
    rect,
    part: {
      left: (rect.x - x) / width,
      top: (rect.y - y) / height,
      right: (rect.x + rect.width - x) / width,
      bottom: (rect.y + rect.height - y) / height,
    },
  };
}

/**
 * The box around a cell's image as its photo lies before it is levelled: the image turned back about the middle of what
 * the photo covers.
 */
function seenBox({ image, cover }: CellPlan, level: number): Rect {
  if (level === 0) return image;
  const corners = [0, 1].flatMap((i) =>
    [0, 1].map((j) =>
      turnedAbout(cover, -level, { x: image.x + i * image.width, y: image.y + j * image.height }),
    ),
  );
  const left = Math.floor(Math.min(...corners.map(({ x }) => x)));
  const top = Math.floor(Math.min(...corners.map(({ y }) => y)));
  const right = Math.ceil(Math.max(...corners.map(({ x }) => x)));
  const bottom = Math.ceil(Math.max(...corners.map(({ y }) => y)));
  return { x: um(left), y: um(top), width: um(right - left), height: um(bottom - top) };
}

export const union = (a: Part, b: Part): Part => ({
  left: Math.min(a.left, b.left),
  top: Math.min(a.top, b.top),
  right: Math.max(a.right, b.right),
  bottom: Math.max(a.bottom, b.bottom),
});

/**
 * The same part on the photo before it was turned clockwise.
 *
 *      upright            turned by 90
 *     ┌─────────┐         ┌─────┐
 *     │ part    │         │ part│      left upright = top turned
 *     │         │         │     │      top upright  = 1 − right turned
 *     └─────────┘         │     │
 *                         └─────┘
 */
export function beforeTurn(part: Part, turn: Quarter): Part {
  const { left, top, right, bottom } = part;
  switch (turn) {
    case 0:
      return part;
    case 90:
      return { left: top, top: 1 - right, right: bottom, bottom: 1 - left };
    case 180:
      return { left: 1 - right, top: 1 - bottom, right: 1 - left, bottom: 1 - top };
    case 270:
      return { left: 1 - bottom, top: left, right: 1 - top, bottom: right };
  }
}

/** The inverse of `beforeTurn`. */
export const afterTurn = (part: Part, turn: Quarter): Part =>
  beforeTurn(part, ((360 - turn) % 360) as Quarter);
