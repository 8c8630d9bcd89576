export { paperById, PAPERS, prefersLetter, type Paper, type PaperGroup } from "./papers.ts";
export { PRINT_SIZES, type PrintSize } from "./printSizes.ts";
