export { movedCell, movedGround, movedInk, movedStroke, type Move } from "./moved.ts";
export {
  PALE,
  type CellPlan,
  type GroundPlan,
  type ItemPlan,
  type PagePart,
  type PartWrap,
  type SheetPlan,
} from "./types.ts";
export { AWAY } from "./cellInk.ts";
export { headsOn } from "./headsOn.ts";
export { holdOf, onPiece } from "./hold.ts";
export { uprightPiece, type UprightPiece } from "./piece.ts";
export { coarse } from "./coarse.ts";
export { piecesArea } from "./piecesArea.ts";
export { gradientEnds } from "./ground.ts";
export { layers, lowest } from "./layers.ts";
export { partOrigin, STRETCH, wrapZones, type WrapZone } from "./wrap.ts";
