export { LIMITS, type LengthRange } from "./limits.ts";
export {
  JOB_VERSION,
  type CopiesTicket,
  type Finish,
  type Job,
  type MarkKind,
  type PhotoId,
  type PhotoRef,
  type SheetSetup,
  type Shot,
  type Turn,
} from "./schema.ts";
export { COMPUTED_SHOT, freshCopiesJob, printerOfJob } from "./fresh.ts";
export {
  jobJsonSchema,
  readEdit,
  readJob,
  type EditReading,
  type JobFault,
  type JobReading,
} from "./read.ts";
export { applyEdit, isByHand, shotByNumber, shotOfCell } from "./edit.ts";
export { sayEdit, type JobEdit } from "./editSchema.ts";
