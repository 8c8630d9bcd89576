import type { Rect } from "../../base/geometry/index.ts";
import type { Um } from "../../base/length/index.ts";
import type { PhotoId } from "../../schema/index.ts";
import type { SetText } from "../words/index.ts";
import type { Graphic } from "./schema.ts";

/** Something that is painted besides photos and frames, in the order in which it is listed. */
export type Ink = PictureInk | TextInk | PathInk;

/** A graphic or a photo laid over what is there. */
export interface PictureInk {
  kind: "picture";
  of: { kind: "file" | "photo"; id: PhotoId };
  /** Where it lies before it is turned about its middle by `turn` degrees clockwise. */
  rect: Rect;
  turn: number;
  opacity: number;
  blend: Graphic["blend"];
  /** What is seen of it; null for all of it. */
  clip: Rect | null;
}

export interface TextInk {
  kind: "text";
  text: SetText;
  clip: Rect | null;
}

/** A step along a path, in µm on the sheet: to a point, by a straight line or a cubic curve, or back to the start. */
export type PathStep =
  | readonly ["M" | "L", x: number, y: number]
  | readonly ["C", x1: number, y1: number, x2: number, y2: number, x: number, y: number]
  | readonly ["Z"];

/** What a shape is filled with: a colour, one that changes along a line, or a picture laid over its box. */
export type Paint =
  | string
  | {
      kind: "gradient";
      from: string;
      to: string;
      start: readonly [x: number, y: number];
      end: readonly [x: number, y: number];
    }
  | { kind: "picture"; of: PictureInk["of"]; rect: Rect };

/** The picture that a shape is filled with; null where it is filled otherwise, or not at all. */
export const pictureIn = (paint: Paint | null): Extract<Paint, { kind: "picture" }> | null =>
  typeof paint === "object" && paint?.kind === "picture" ? paint : null;

/** How many standard deviations of its softness a shadow fades out over. */
export const FADES_OVER = 3;

/** What is left out of a shape: a path that is turned about the middle of its own box. */
export interface PathCut {
  commands: readonly PathStep[];
  box: Rect;
  turn: number;
}

/** What a shape throws on what lies under it. */
export interface Shadow {
  right: Um;
  down: Um;
  /** How soft its edge is: it fades out over so much to both sides. */
  blur: Um;
  colour: string;
  opacity: number;
}

/** A drawn shape: filled, stroked or both. */
export interface PathInk {
  kind: "path";
  commands: readonly PathStep[];
  fill: Paint | null;
  stroke: Line | null;
  shadow: Shadow | null;
  opacity: number;
  /** Windows through which what lies under it is seen, its shadow left out too. */
  cut: readonly PathCut[];
  /** What it lies in before it is turned about the middle of that by `turn` degrees clockwise. */
  box: Rect;
  turn: number;
  clip: Rect | null;
}

/** A path as SVG and PDF write it (SVG 2, 9.3), with every figure put through `at`. */
export const pathData = (commands: readonly PathStep[], at: (um: number) => number = (um) => um): string =>
  commands.map(([step, ...places]) => `${step}${places.map((place) => at(place)).join(" ")}`).join("");

export interface Line {
  width: Um;
  colour: string;
}

/** A straight line along x or along y, `width` wide, half of it to each side. */
export interface Stroke extends Line {
  x1: Um;
  y1: Um;
  x2: Um;
  y2: Um;
}
