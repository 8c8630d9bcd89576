import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { colour, length } from "../../schema/parts.ts";

export const marksSchema = z.strictObject({
  kind: z.enum(["corner ticks", "crosses", "full lines", "none"]),
  length: length(LIMITS.markLength, "Length of a tick or of the arm of a cross"),
  width: length(LIMITS.line, "Line width of the marks"),
  colour,
});

/** The marks that pieces are cut by. */
export type Marks = z.infer<typeof marksSchema>;
export type MarkKind = Marks["kind"];
