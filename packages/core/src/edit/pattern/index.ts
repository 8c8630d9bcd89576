export { bring, type Brought } from "./bring.ts";
export { correctionsOf, sayCorrection, withCorrections, type Correction } from "./corrections.ts";
export { makeFor, sayMade, type Made, type PatternTarget } from "./made.ts";
export { readMadeFor, type MadeFor, type MadeForReading } from "./madeFor.ts";
export {
  PATTERN_TARGETS,
  PATTERN_VERSION,
  readPattern,
  writePattern,
  type Pattern,
  type PatternReading,
} from "./pattern.ts";
export { withoutPhotos } from "./withoutPhotos.ts";
export { SHIPPED_PATTERNS, stripEdits, type ShippedPattern } from "./shipped.ts";
