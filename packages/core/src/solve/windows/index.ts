export { findWindows, inReadingOrder, usualSearch, type Search } from "./find.ts";
export { WINDOW_LIMITS, windowSchema, type ArtWindow } from "./schema.ts";
export type { Point } from "./boundary.ts";
export type { Alpha } from "./runs.ts";
export { hullOf } from "./hull.ts";
