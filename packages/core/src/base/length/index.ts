export { inch, mm, nearest, UM_PER_INCH, um, type Um } from "./um.ts";
export { UNITS, umPer, type Unit } from "./unit.ts";
export { readLength, readNumber, readSize, type Reading, type SizeReading } from "./read.ts";
export type { ReadOptions } from "./tokens.ts";
export {
  unitOf,
  writeFigure,
  writeLength,
  writeMeasure,
  writeNumber,
  writeSize,
  writeSpan,
  type WriteOptions,
} from "./write.ts";
export { edgePx, pixelBox, toPx, type PixelBox } from "./pixels.ts";
