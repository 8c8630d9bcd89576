import { z } from "zod";
import { photoId } from "../../schema/parts.ts";

const mark = z.string().trim().min(1).max(60);

/** What a person said of a photo in the stash. */
export const photoMarksSchema = z.strictObject({
  stars: z.int().min(0).max(5).describe("A rating; 0 for none"),
  tags: z.array(mark).max(30),
  folder: z.string().trim().max(200).describe("The folder it came from or was put in; empty for none"),
});

/** A photo as it comes to a job. */
export const newPhotoSchema = z.strictObject({
  id: photoId,
  name: z.string().min(1).max(255),
  ...photoMarksSchema.partial().shape,
});

/** A photo of the job, in the order of the stash. */
export const photoRefSchema = newPhotoSchema.extend({
  number: z
    .int()
    .min(1)
    .max(999_999)
    .describe("Its number in the job, given once: what belongs to it is named after that"),
});

/** Which photos of the stash are shown, and in which order. */
export const pickSchema = z.strictObject({
  by: z
    .enum(["order", "name", "taken", "stars"])
    .describe("By which they are sorted; “order” as they lie in the stash"),
  down: z.boolean().describe("From the last to the first"),
  stars: z.int().min(0).max(5).describe("Only those with at least as many stars"),
  tag: mark.nullable().describe("Only those with this tag"),
  folder: z.string().max(200).nullable().describe("Only those of this folder"),
});

export type NewPhoto = z.infer<typeof newPhotoSchema>;
export type PhotoRef = z.infer<typeof photoRefSchema>;
export type PhotoMarks = z.infer<typeof photoMarksSchema>;
export type Pick = z.infer<typeof pickSchema>;

/** Every photo, in the order of the stash. */
export const EVERY_PHOTO: Pick = { by: "order", down: false, stars: 0, tag: null, folder: null };
