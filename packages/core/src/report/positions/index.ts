export { CORNERS, type Corner, type Counting } from "./frame.ts";
export { positionsCsv, POSITION_HEADINGS } from "./write.ts";
export { readPositions, type PositionsReading } from "./read.ts";
