export { nextYear } from "./nextYear.ts";
export { oneMonth } from "./oneMonth.ts";
export { applyEdit } from "./apply.ts";
export { standsOf, type Stands } from "./become.ts";
export {
  diff,
  inverse,
  isSame,
  joinedPatch,
  meets,
  patched,
  PatchFault,
  type Change,
  type Patch,
} from "./patch.ts";
export { lostIn, type Lost } from "./lost.ts";
export { readEdit, type EditReading } from "./read.ts";
export { sayEdit } from "./say.ts";
export type { JobEdit } from "./schema.ts";
