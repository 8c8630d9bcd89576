export { divide, equal, type Span } from "./divide.ts";
export { byCounts, cellsOfStrips, type Along, type Strip } from "./lines.ts";
export { filled, type Filled, type FilledQuestion } from "./filled.ts";
export { nothingCropped, type Whole } from "./whole.ts";
export type { WholeQuestion } from "./question.ts";
export { fitTree, readTree, writeTree, type Tree, type TreeCells } from "./tree.ts";
