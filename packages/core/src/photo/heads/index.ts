export { eyesOf, headBox, type Box } from "./box.ts";
export { keepHeads, type Window } from "./keep.ts";
export { readHeads, type HeadsReading } from "./read.ts";
