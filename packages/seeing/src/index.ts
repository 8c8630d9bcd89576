export { Cutout } from "./cutout.ts";
export { findHeads, MOST_HEADS } from "./heads.ts";
export { personMask } from "./mask.ts";
export { compiled, type Model, type ModelFiles, type Models } from "./models.ts";
export { fromSquare, Picture, type Square } from "./picture.ts";
export { studyPortrait } from "./study.ts";
