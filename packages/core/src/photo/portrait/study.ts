import { z } from "zod";

const share = z.number().min(0).max(1);
const lightness = z.number().min(0).max(100);

/**
 * What was measured in the pixels of a portrait: facts, whatever a rule makes of them. Lengths are shares of the photo,
 * lightness is CIE L*, colours are sRGB.
 */
export const studySchema = z.strictObject({
  blur: z
    .strictObject({ eyes: share, hair: share })
    .describe("0 sharp … 1 blurred (Crété, Dolmiere, Ladret and Nicolas 2007), at the size of a print"),
  face: z.strictObject({
    level: lightness.describe("The median of the skin"),
    low: lightness.describe("What 2 % of the face are darker than"),
    high: lightness.describe("What 2 % of the face are lighter than"),
    burnt: share.describe("The share that is white for want of any detail"),
    sides: z
      .number()
      .min(-100)
      .max(100)
      .describe("The left half less the right half, as the picture is seen"),
  }),
  red: share.describe("The share of the redder pupil that is red"),
  background: z
    .array(z.tuple([z.string().regex(/^[0-9a-f]{6}$/), z.number(), z.number()]))
    .max(600)
    .describe(
      "Parts of what is seen around the head: the mean colour of each, and where its middle is in the photo",
    ),
});

export type PortraitStudy = z.infer<typeof studySchema>;
