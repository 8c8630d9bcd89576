import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { colour, length, name, size } from "../../schema/parts.ts";

const span = (about: string) =>
  z
    .strictObject({ from: length(LIMITS.measure, "from"), to: length(LIMITS.measure, "to") })
    .refine(({ from, to }) => from <= to, "must go from the smaller to the larger figure")
    .describe(about);

const counts = (about: string) =>
  z
    .strictObject({ from: z.int().min(1), to: z.int().min(1).max(1e9) })
    .refine(({ from, to }) => from <= to, "must go from the smaller to the larger figure")
    .describe(about);

/**
 * What an office asks of a document photo. A figure that the office does not state, or that is not known for certain,
 * is left out: what is not there is not checked.
 *
 *        ┌──────────────────┐ ─┬─ ─────────┬─
 *        │                  │  │ aboveCrown│
 *        │     .- - - .     │ ─┼─ crown    │
 *        │    /        \    │  │           │  size.height
 *        │   |  o    o  |   │  │ head    ─┬┼─ eyes
 *        │    \   __   /    │  │ Height   ││
 *        │     ` . _ .'     │ ─┴─ chin    ││ eyeLine
 *        │   .-'      '-.   │  │ belowChin││
 *        └──────────────────┘ ─┴─ ────────┴┴─
 *             │← width →│  headWidth, ear to ear
 */
export const documentRuleSchema = z
  .strictObject({
    id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/, "must be small letters, digits and hyphens"),
    place: name.describe("The country, group of countries or body that it is for"),
    name: name.describe("The document"),
    size: size(LIMITS.piece, "Finished size"),
    headHeight: span("Crown to chin").optional(),
    crown: z
      .enum(["hair", "skull"])
      .describe("Where the head ends: at the hair as it is seen, or at the skull below it"),
    aboveCrown: span("From the crown to the upper edge").optional(),
    eyeLine: span("From the lower edge to the eyes").optional(),
    headWidth: span("Ear to ear").optional(),
    belowChin: span("From the chin to the lower edge").optional(),
    copies: z.int().min(1).max(20).optional().describe("Prints that are handed in"),
    onlyDigital: z
      .literal(true)
      .optional()
      .describe("The office takes no print any more; a print by its figures serves elsewhere"),
    checked: z
      .string()
      .regex(/^\d{4}-\d{2}$/)
      .optional()
      .describe("Year and month in which the entry was last gone through"),
    background: z
      .strictObject({
        colour,
        tolerance: z.number().min(1).max(60).describe("Farthest from it that passes, CIEDE2000"),
        words: z.string().min(1).max(120).describe("As the office puts it"),
      })
      .optional(),
    digital: z
      .strictObject({
        width: counts("Pixels across"),
        height: counts("Pixels down"),
        bytes: counts("Size of the file").optional(),
        ppi: z.number().min(LIMITS.ppi.least).max(LIMITS.ppi.most).optional(),
      })
      .optional()
      .describe("The file that is handed in instead of a print"),
    source: z.strictObject({
      authority: name,
      document: z.string().min(1).max(300),
      date: z.string().max(40).optional(),
      clause: z.string().max(80).optional(),
    }),
    certainty: z
      .enum(["standard", "published", "commonly stated", "own"])
      .describe("How far the figures can be relied on; an office has the last word"),
    note: z.string().max(400).optional(),
  })
  .describe("A document-photo rule. Lengths are whole micrometres.");

export type DocumentRule = z.infer<typeof documentRuleSchema>;
export type RuleSpan = NonNullable<DocumentRule["headHeight"]>;
