import { z } from "zod";
import { gap } from "../../schema/parts.ts";

/** The ticket of "ruler": two scales to hold a ruler to. */
export const rulerTicket = z.strictObject({ kind: z.literal("ruler"), gap });
