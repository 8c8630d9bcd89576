import { z } from "zod";
import { colour, photoId } from "../../schema/parts.ts";

const share = z.number().min(-0.5).max(1.5);

/** A line drawn over the photo that says which side it belongs to. */
export const strokeSchema = z.strictObject({
  keep: z.boolean().describe("Whether what it crosses is the person, or what is behind"),
  width: z.number().min(0.001).max(0.5).describe("Its width, a share of the photo’s longer side"),
  points: z
    .array(z.tuple([share, share]))
    .min(1)
    .max(400)
    .describe("0…1 from left and top of the upright photo"),
});

export const fillSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("flat"), colour }),
  z.strictObject({ kind: z.literal("gradient"), top: colour, bottom: colour }),
]);

/** What stands behind a person instead of what the camera saw. The photo itself is left as it is. */
export const backdropSchema = z.strictObject({
  strokes: z.array(strokeSchema).max(100).describe("What was said by hand, on top of what was found"),
  fill: fillSchema,
  mask: photoId.describe("How much of every pixel is the person: a grey PNG"),
  made: photoId.describe("The photo with this behind the person, as it is printed"),
});

export type BackdropStroke = z.infer<typeof strokeSchema>;
export type BackdropFill = z.infer<typeof fillSchema>;
export type Backdrop = z.infer<typeof backdropSchema>;
