export { Cutout } from "./cutout.ts";
export { findHeads } from "./heads.ts";
export { personMask } from "./mask.ts";
export { compiled, type Model, type ModelFiles, type Models } from "./models.ts";
export { Picture } from "./picture.ts";
export { studyPortrait } from "./study.ts";
