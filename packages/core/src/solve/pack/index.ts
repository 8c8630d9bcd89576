export { Packer, packQuickly } from "./pack.ts";
export { PACKAGES, type PrintPackage } from "./packages.ts";
export { packBound } from "./bound.ts";
export type { Packing, PackPaper, PackPiece, PackPlace, PackQuestion, PackSheet } from "./types.ts";
