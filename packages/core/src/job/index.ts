export { LIMITS, type LengthRange } from "./limits.ts";
export {
  JOB_VERSION,
  type Aside,
  type CellByHand,
  type Finish,
  type Job,
  type Place,
  type SheetSetup,
} from "./schema.ts";
export type { JobFault } from "./fault.ts";
export { shotNamed } from "./shots.ts";
export { jobJsonSchema, readJob, readStyle, type JobReading, type StyleReading } from "./read.ts";
export {
  addedCell,
  addedSheet,
  copyCell,
  countedCell,
  isAddedCell,
  isAddedSheet,
  numberedSheet,
  numberedShot,
  photoCell,
  photoNumber,
  photoSheet,
  photoShot,
  placeCell,
  placeNumber,
  shotNumber,
  type CellName,
  type SheetName,
  type ShotName,
} from "./names.ts";
export type { PhotoId } from "./parts.ts";
export { finishedSheet, layoutArea } from "./area.ts";
export { pagesOnSheets } from "./onSheets.ts";
export { paperPrice } from "./paperPrice.ts";
export { styleOfAll, styleOfCell } from "./worn.ts";
export { sheetOrder } from "./sheetOrder.ts";
export type { NewPhoto, PhotoRef } from "../stash/schema.ts";
