export {
  FADES_OVER,
  pathData,
  pictureIn,
  type Ink,
  type Line,
  type Paint,
  type PathCut,
  type PathInk,
  type PathStep,
  type PictureInk,
  type Shadow,
  type Stroke,
  type TextInk,
} from "./ink.ts";
export { anchored, coverWith, placeIn, type Ground } from "./place.ts";
export { ANCHORS, type Anchor, type Graphic, type GraphicRole, type GraphicSource } from "./schema.ts";
