import { z } from "zod";
import { gap } from "../../schema/parts.ts";

/** The ticket of "free": cells wherever one puts them. */
export const freeTicket = z.strictObject({ kind: z.literal("free"), gap });
