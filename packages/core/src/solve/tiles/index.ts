export { tilesSchema, type Tiles } from "./schema.ts";
export { divided, LEAST_SHOWN, shiftWithin, type Division } from "./divided.ts";
export {
  seamLength,
  stripsOf,
  tiled,
  tileName,
  type Dividing,
  type Lying,
  type SpreadPage,
  type StripOf,
  type Tile,
  type Tiling,
} from "./tiling.ts";
export { sizeOf } from "./sized.ts";
export { GLUED } from "./usual.ts";
export { bestShift, cheaper, seamCost, SEAM_STEP, type Matters, type SeamCost } from "./seams.ts";
export { nested, type Cut } from "./roll.ts";
