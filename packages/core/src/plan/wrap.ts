import { bottom, right, type Rect } from "../base/geometry/index.ts";
import { um } from "../base/length/index.ts";
import type { PagePart } from "./types.ts";

/** A strip that is stretched around an edge becomes so many times as deep: the last quarter of the depth, for all of it. */
export const STRETCH = 4;

/** A piece of what is printed: where it lies on the page, and how the page comes there: x · across + x0, y · down + y0. */
export interface WrapZone {
  clip: Rect;
  across: number;
  down: number;
  x0: number;
  y0: number;
}

/**
 * What is printed of a panel, zone by zone, for painters that draw: its face as it is, the strips around it reflected at
 * its edges or stretched from them. A colour has no zones but the face; the page as it goes on is one.
 *
 *     ┌──┬──────┬──┐
 *     ├──┼──────┼──┤    corners are changed both ways
 *     │  │ face │  │
 *     └──┴──────┴──┘
 */
export function wrapZones({ prints, wrap }: Pick<PagePart, "prints" | "wrap">): WrapZone[] {
  if (!wrap) return [{ clip: prints, across: 1, down: 1, x0: 0, y0: 0 }];
  const { face, way } = wrap;
  const grows = way === "mirrored" ? -1 : STRETCH;
  const along = (from: number, to: number, least: number, most: number) =>
    [
      { from: least, to: Math.min(from, most), by: grows, about: from },
      { from: Math.max(from, least), to: Math.min(to, most), by: 1, about: 0 },
      { from: Math.max(to, least), to: most, by: grows, about: to },
    ].filter((zone) => zone.to > zone.from && (way !== "colour" || zone.by === 1));
  const across = along(face.x, right(face), prints.x, right(prints));
  const down = along(face.y, bottom(face), prints.y, bottom(prints));
  return down.flatMap((y) =>
    across.map((x): WrapZone => ({
      clip: { x: um(x.from), y: um(y.from), width: um(x.to - x.from), height: um(y.to - y.from) },
      across: x.by,
      down: y.by,
      x0: x.about * (1 - x.by),
      y0: y.about * (1 - y.by),
    })),
  );
}

/** Where the upper left corner of what is printed comes to lie on the sheet before it is turned and made smaller. */
export function partOrigin({ at, turn, prints, scale }: PagePart): { x: number; y: number } {
  const [width, height] = [prints.width * scale, prints.height * scale];
  const x = turn === 90 ? height : turn === 180 ? width : 0;
  const y = turn === 180 ? height : turn === 270 ? width : 0;
  return { x: at.x + x, y: at.y + y };
}
