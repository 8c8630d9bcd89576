export {
  JOB_VERSION,
  type Aside,
  type CellByHand,
  type Finish,
  type Job,
  type Place,
  type SheetSetup,
} from "./schema.ts";
export { headsIn, withHeads } from "./heads.ts";
export { shotNamed } from "./shots.ts";
export { jobJsonSchema, readJob, readStyle, type JobReading, type StyleReading } from "./read.ts";
export { finishedSheet, layoutArea } from "./area.ts";
export { pagesOnSheets } from "./onSheets.ts";
export { DONE, NOT_BEGUN, type Done, type Making } from "./making.ts";
export { paperPrice } from "./paperPrice.ts";
export type { Target } from "./target.ts";
export { styleOfAll, styleOfCell } from "./worn.ts";
export { sheetOrder } from "./sheetOrder.ts";
export type { NewPhoto, PhotoRef } from "./stash/schema.ts";
