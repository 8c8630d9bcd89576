import { z } from "zod";
import { documentRuleSchema } from "../../catalogue/rules/schema.ts";
import { LIMITS } from "../../schema/index.ts";
import { count, cuts, gap, photoId, place, shotNumber } from "../../schema/parts.ts";
import { packing } from "../packed/packing.ts";

const ruleId = documentRuleSchema.shape.id;

/** Someone whose photos are printed. */
export const person = z.strictObject({
  shot: shotNumber.describe("How the photo sits: the shot of this number, of this person alone"),
  name: z.string().max(120, "must be at most 120 characters"),
  number: z.string().max(60, "must be at most 60 characters").describe("A badge, file or customer number"),
  photo: photoId.nullable(),
  file: z.string().max(200).optional().describe("What a list calls the photo that is not here yet"),
  rule: ruleId.nullable().describe("Their own rule; null for the rule of the job"),
  quantity: count(LIMITS.quantity, "How many of their own")
    .nullable()
    .describe("Null for as many as the job says"),
});

/** The ticket of "portraits". */
export const portraitsTicket = z
  .strictObject({
    kind: z.literal("portraits"),
    rule: ruleId.describe("The rule of everyone who has none of their own"),
    rules: z
      .array(documentRuleSchema)
      .min(1)
      .max(LIMITS.rules)
      .describe("The rules that are used, as they were when they were chosen"),
    copies: z
      .union([count(LIMITS.quantity, "How many of each person"), z.literal("fit"), z.literal("rule")])
      .describe(
        "How many of each person; “fit” for as many as fit on a sheet, “rule” for as many as their rule asks for",
      ),
    people: z.array(person).max(LIMITS.people, `must be at most ${LIMITS.people} people`),
    names: z.boolean().describe("Whether names are printed under the pieces, outside their trim"),
    sheets: z.enum(["packed", "per person"]).describe("Everyone together, or sheets of their own for each"),
    gap,
    place,
    cuts,
    packing: packing.nullable(),
  })
  .refine(
    ({ people, copies }) =>
      people.reduce(
        (sum, { quantity }) => sum + (quantity ?? (typeof copies === "number" ? copies : 1)),
        0,
      ) <= LIMITS.pieces,
    `must come to at most ${LIMITS.pieces} pieces in all; print the rest in another job`,
  );
