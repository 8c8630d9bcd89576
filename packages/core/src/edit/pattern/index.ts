export { PATTERN_VERSION, readPattern, writePattern, type Pattern, type PatternReading } from "./pattern.ts";
export { withoutPhotos } from "./withoutPhotos.ts";
export { SHIPPED_PATTERNS, stripEdits, type ShippedPattern } from "./shipped.ts";
