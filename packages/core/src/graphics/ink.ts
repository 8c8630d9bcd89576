import type { Rect } from "../geometry/index.ts";
import type { PhotoId } from "../job/index.ts";
import type { SetText } from "../words/index.ts";
import type { Graphic } from "./schema.ts";

/** Something that is painted besides photos and frames, in the order in which it is listed. */
export type Ink = PictureInk | TextInk;

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
