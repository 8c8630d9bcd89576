import {
  fitInto,
  fittedTilted,
  grown,
  type Fitting,
  type Rect,
  type Size,
} from "../../base/geometry/index.ts";
import { edgePx } from "../../base/length/index.ts";
import { finishedSheet, type Job } from "../../job/index.ts";
import type { PixelSize } from "../../photo/crop/index.ts";
import type { ArtWindow } from "../../solve/windows/index.ts";
import type { TicketOf } from "../tickets.ts";

/** What an artwork has to cover: the finished page with its bleed. */
export const artBox = ({ sheet, target }: Pick<Job, "sheet" | "target">, lying: Size): Rect =>
  grown(finishedSheet(sheet, lying), target.bleed);

/** Where the pixels of a job’s artwork come to lie; null while there is none. */
export const placeArt = ({ art, artFit, stretch }: TicketOf<"artwork">, box: Rect): Fitting | null =>
  art && fitInto(art, box, artFit, stretch);

/** A window where it lies on the page, and its tilt there. */
export function windowOnPage(window: ArtWindow, place: Fitting): { finished: Rect; angle: number } {
  const { rect, angle } = fittedTilted(window, window.angle, place);
  return { finished: rect, angle };
}

/** How many pixels the page with its bleed has at a resolution: what its artwork should have. */
export const wantedPixels = ({ width, height }: Size, ppi: number): PixelSize => ({
  width: edgePx(width, ppi),
  height: edgePx(height, ppi),
});
