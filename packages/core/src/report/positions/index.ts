export { CORNERS, type Corner, type Counting } from "./frame.ts";
export { positionsCsv, POSITION_HEADINGS } from "./write.ts";
export { readPositions, type PositionsReading } from "./read.ts";
export { fillPositions, type FilledTable } from "./fill.ts";
