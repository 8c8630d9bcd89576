export type { CellPlan, Line, PhotoFacts, Photos, SheetPlan, Stroke } from "./types.ts";
export { printableArea } from "./printable.ts";
