export {
  PATTERN_VERSION,
  readPattern,
  withoutPhotos,
  writePattern,
  type Pattern,
  type PatternReading,
} from "./pattern.ts";
