export { LIMITS, type LengthRange } from "./limits.ts";
export {
  JOB_VERSION,
  type Aside,
  type CellByHand,
  type Finish,
  type Job,
  type MarkKind,
  type PhotoId,
  type Place,
  type SheetSetup,
  type Shot,
  type Turn,
} from "./schema.ts";
export { COMPUTED_SHOT, isByHand, shotNamed, type Sits } from "./shots.ts";
export {
  jobJsonSchema,
  readJob,
  readStyle,
  type JobFault,
  type JobReading,
  type StyleReading,
} from "./read.ts";
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
export { sheetOrder } from "./sheetOrder.ts";
export type { NewPhoto, PhotoRef } from "../stash/schema.ts";
