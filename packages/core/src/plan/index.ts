export type { CellPlan, Line, PhotoFacts, Photos, SheetPlan, Stroke } from "./types.ts";
export { AWAY } from "./cellInk.ts";
export { holdOf, onPiece } from "./hold.ts";
export { uprightPiece, type UprightPiece } from "./piece.ts";
export { coarse } from "./coarse.ts";
export { piecesArea } from "./piecesArea.ts";
export { layers, lowest } from "./layers.ts";
export { around } from "./tilt.ts";
