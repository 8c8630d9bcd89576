export * from "./face.ts";
export * from "./place.ts";
export * from "./measure.ts";
export { blurOf, measurePixels } from "./measurePixels.ts";
export { studySchema, type PortraitStudy } from "./study.ts";
export * from "./advise.ts";
export { crownFor, eyesOffLevel } from "./upright.ts";
