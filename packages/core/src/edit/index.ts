export { applyEdit } from "./apply.ts";
export { readEdit, type EditReading } from "./read.ts";
export { sayEdit } from "./say.ts";
export type { JobEdit } from "./schema.ts";
