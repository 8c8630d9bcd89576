export { cutMarks } from "./cutMarks.ts";
export type { MarkKind, Marks } from "./schema.ts";
