import { fitInto, type Edges, type Rect } from "../../base/geometry/index.ts";
import type { PhotoId } from "../../schema/index.ts";
import type { TicketOf } from "../tickets.ts";

/** An artwork that has so many pixels more at each side, under another file, its windows where they were in the picture. */
export function widenedBy(
  { art, windows }: Pick<TicketOf<"artwork">, "art" | "windows">,
  { file, left, top, right, bottom }: { file: PhotoId } & Record<keyof Edges, number>,
): Pick<TicketOf<"artwork">, "art" | "windows"> {
  return {
    art: art && { ...art, file, width: art.width + left + right, height: art.height + top + bottom },
    windows: windows.map((one) => ({
      ...one,
      x: one.x + left,
      y: one.y + top,
      outline: one.outline.map(([x, y]): [number, number] => [x + left, y + top]),
    })),
  };
}

/** The pixels that an artwork lacks at each side to fill a page where it is seen whole; null where it lacks none. */
export function lackingWhole(
  art: { width: number; height: number },
  page: Rect,
): Record<keyof Edges, number> | null {
  const { across, down } = fitInto(art, page, "whole");
  // A part of a pixel is a whole one: no line of paper is left by rounding.
  const side = (length: number, pixels: number, per: number) =>
    Math.max(0, Math.ceil((length / per - pixels) / 2 - 1e-6));
  const [beside, above] = [side(page.width, art.width, across), side(page.height, art.height, down)];
  if (beside === 0 && above === 0) return null;
  return { left: beside, right: beside, top: above, bottom: above };
}
