import { grown, type Rect, type Size } from "../../base/geometry/index.ts";
import { edgePx, nearest, um } from "../../base/length/index.ts";
import { finishedSheet, type Job } from "../../job/index.ts";
import type { PixelSize } from "../../photo/crop/index.ts";
import type { ArtWindow } from "../../solve/windows/index.ts";
import type { ArtFit } from "./ticket.ts";

/** Where an artwork lies: a pixel (x, y) of it comes to (left + x · across, top + y · down), in µm, not rounded. */
export interface ArtPlace {
  left: number;
  top: number;
  across: number;
  down: number;
}

/** What an artwork has to cover: the finished page with its bleed. */
export const artBox = ({ sheet, target }: Pick<Job, "sheet" | "target">, lying: Size): Rect =>
  grown(finishedSheet(sheet, lying), target.bleed);

/** Puts an artwork on its box, about the middle of it. */
export function placeArt(art: PixelSize, box: Rect, fit: ArtFit): ArtPlace {
  const [across, down] = [box.width / art.width, box.height / art.height];
  const even = fit === "fill" ? Math.max(across, down) : Math.min(across, down);
  const [x, y] = fit === "stretch" ? [across, down] : [even, even];
  return {
    left: box.x + (box.width - art.width * x) / 2,
    top: box.y + (box.height - art.height * y) / 2,
    across: x,
    down: y,
  };
}

/** The edges of something in pixels of the artwork, each rounded once. */
export function onPage(
  { x, y, width, height }: Pick<ArtWindow, "x" | "y" | "width" | "height">,
  place: ArtPlace,
): Rect {
  const [left, right] = [x, x + width].map((at) => Math.round(place.left + at * place.across)) as [
    number,
    number,
  ];
  const [top, foot] = [y, y + height].map((at) => Math.round(place.top + at * place.down)) as [
    number,
    number,
  ];
  return { x: um(left), y: um(top), width: um(right - left), height: um(foot - top) };
}

/**
 * A window where it lies on the page, and its tilt there. An artwork that is stretched changes tilts and the lengths along
 * them: the window’s own axes are stretched, and its middle stays its middle.
 */
export function windowOnPage(window: ArtWindow, place: ArtPlace): { finished: Rect; angle: number } {
  const { angle } = window;
  if (angle === 0) return { finished: onPage(window, place), angle: 0 };
  const radians = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const { across, down } = place;
  const width = window.width * Math.hypot(cos * across, sin * down);
  const height = window.height * Math.hypot(sin * across, cos * down);
  const x = place.left + (window.x + window.width / 2) * across;
  const y = place.top + (window.y + window.height / 2) * down;
  return {
    finished: {
      x: nearest(x - width / 2),
      y: nearest(y - height / 2),
      width: nearest(width),
      height: nearest(height),
    },
    angle: across === down ? angle : (Math.atan2(sin * down, cos * across) * 180) / Math.PI,
  };
}

/** How many pixels the page with its bleed has at a resolution: what its artwork should have. */
export const wantedPixels = ({ width, height }: Size, ppi: number): PixelSize => ({
  width: edgePx(width, ppi),
  height: edgePx(height, ppi),
});
