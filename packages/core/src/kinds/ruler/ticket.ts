import { z } from "zod";
import { gap } from "../../job/parts.ts";

/** The ticket of "ruler": two scales to hold a ruler to. */
export const rulerTicket = z.strictObject({ kind: z.literal("ruler"), gap });
