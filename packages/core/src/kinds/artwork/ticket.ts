import { z } from "zod";
import { FITS } from "../../base/geometry/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { count, gap, length, name, photoId } from "../../schema/parts.ts";
import { WINDOW_LIMITS, windowSchema } from "../../solve/windows/schema.ts";

const side = count({ least: 1, most: WINDOW_LIMITS.side }, "Pixels of the artwork");

/** The ticket of "artwork": photos seen through the windows of an artwork that covers the page. */
export const artworkTicket = z.strictObject({
  kind: z.literal("artwork"),
  art: z
    .strictObject({
      file: photoId.describe("The artwork’s file, by the hash of its bytes"),
      name,
      width: side,
      height: side,
    })
    .nullable()
    .describe("The artwork in front of the photos; null until one is brought in"),
  windows: z
    .array(windowSchema)
    .max(WINDOW_LIMITS.windows)
    .describe("Its windows, in the order in which photos come to them"),
  artFit: z
    .enum(FITS)
    .describe("How it takes the size of the page and its bleed: covering it, seen whole, or stretched to it"),
  stretch: z
    .number()
    .min(0, "must be at least 0 %")
    .max(100, "must be at most 100 %")
    .describe("How far stretching may change its proportion, in percent; beyond that it covers"),
  under: length(LIMITS.slack, "How far photos run on under the artwork"),
  gap,
});
