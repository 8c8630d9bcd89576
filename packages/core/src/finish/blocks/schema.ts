import { z } from "zod";
import { daysBlockSchema } from "./days/schema.ts";
import { tableSchema } from "./table/schema.ts";

/** What is drawn for any size and never cropped: made smaller, its rows and letters are laid out anew. */
export const blockSchema = z.discriminatedUnion("kind", [tableSchema, daysBlockSchema]);

export type Block = z.infer<typeof blockSchema>;
