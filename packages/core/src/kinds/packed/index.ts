export { keepPacking, layOutPacked } from "./layout.ts";
export { packing, type KeptPacking } from "./packing.ts";
export { packedQuestion, type PackedQuestion } from "./question.ts";
