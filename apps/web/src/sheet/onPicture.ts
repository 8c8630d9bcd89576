import { turnedSize, type Picture, type Rect } from "@wide-quilt/core";

/** The attributes that lay an upright photo where its turned picture is. */
export function pictureAttributes({ placed, turn }: Picture) {
  return {
    ...turnedSize(placed, turn),
    transform: `translate(${originOf({ placed, turn }).join(" ")}) rotate(${turn})`,
  };
}

/** A rectangle in any unit. */
export type Box = Record<"x" | "y" | "width" | "height", number>;

/** Where the upper left corner of the upright photo lies once it is turned, in the unit that it is placed in. */
export function originOf({
  placed: { x, y, width, height },
  turn,
}: Pick<Picture, "turn"> & { placed: Box }): [number, number] {
  return { 0: [x, y], 90: [x + width, y], 180: [x + width, y + height], 270: [x, y + height] }[turn] as [
    number,
    number,
  ];
}

/** A rectangle of the sheet as the upright photo sees it: moved to the photo's corner and turned back. */
export function onPicture({ x, y, width, height }: Rect, picture: Picture) {
  const [ox, oy] = originOf(picture);
  const [left, top, right, bottom] = [x - ox, y - oy, x + width - ox, y + height - oy];
  switch (picture.turn) {
    case 0:
      return { x: left, y: top, width, height };
    case 90:
      return { x: top, y: -right, width: height, height: width };
    case 180:
      return { x: -right, y: -bottom, width, height };
    case 270:
      return { x: -bottom, y: left, width: height, height: width };
  }
}
