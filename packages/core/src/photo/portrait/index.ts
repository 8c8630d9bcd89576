export * from "./face.ts";
export * from "./place.ts";
export * from "./measure.ts";
export { measurePixels } from "./measurePixels.ts";
export type { PortraitStudy } from "./study.ts";
export * from "./advise.ts";
export { crownFor, eyesOffLevel } from "./upright.ts";
