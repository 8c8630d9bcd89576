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
export { COMPUTED_SHOT, isByHand, shotByNumber, type Sits } from "./shots.ts";
export {
  jobJsonSchema,
  readJob,
  readStyle,
  type JobFault,
  type JobReading,
  type StyleReading,
} from "./read.ts";
export { isAddedSheet, sheetOrder } from "./sheetOrder.ts";
export type { PhotoRef } from "../stash/schema.ts";
