export { rectPath } from "./path.ts";
export {
  area,
  areEven,
  bottom,
  boundsOf,
  contains,
  evenEdges,
  grown,
  inset,
  inside,
  NO_EDGES,
  onItsSide,
  onItsSideAbout,
  overlap,
  quarterTurned,
  rectOf,
  right,
  turnedSize,
  type Edges,
  type Rect,
  type Size,
} from "./rect.ts";
export { placedRect, placedWhole, turnedBy, type Placement, type Quarter } from "./placement.ts";
export { LIES, waysToLie, type Lie } from "./lie.ts";
export { around, lieOver, type Tilted } from "./tilt.ts";
export {
  FITS,
  fitInto,
  fittedBack,
  fittedBy,
  fittedRect,
  fittedTilted,
  type Fit,
  type Fitting,
} from "./fitting.ts";
