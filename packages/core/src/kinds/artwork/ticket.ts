import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { count, gap, length, name, photoId } from "../../schema/parts.ts";
import { WINDOW_LIMITS, windowSchema } from "../../solve/windows/schema.ts";

const side = count({ least: 1, most: WINDOW_LIMITS.side }, "Pixels of the artwork");

/** How an artwork takes the size of its page. */
export const ART_FITS = ["fill", "whole", "stretch"] as const;

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
    .enum(ART_FITS)
    .describe("How it takes the size of the page and its bleed: covering it, seen whole, or stretched to it"),
  under: length(LIMITS.slack, "How far photos run on under the artwork"),
  gap,
});

export type ArtFit = (typeof ART_FITS)[number];
