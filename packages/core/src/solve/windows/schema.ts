import { z } from "zod";

/** What an artwork may have at most. */
export const WINDOW_LIMITS = {
  /** Windows of one artwork. */
  windows: 200,
  /** A side of an artwork, in pixels. */
  side: 100_000,
  /** Points of a convex outline. */
  outline: 400,
} as const;

const px = (about: string) =>
  z.number().min(-WINDOW_LIMITS.side).max(WINDOW_LIMITS.side).describe(`${about}, in pixels of the artwork`);

/** A transparent window of an artwork, in pixels of that from its upper left corner. */
export const windowSchema = z.strictObject({
  x: px("Left edge before it is tilted about its middle"),
  y: px("Upper edge before it is tilted"),
  width: px("Width").gt(0),
  height: px("Height").gt(0),
  angle: z
    .number()
    .min(-90)
    .max(90)
    .describe("Tilt about its middle, degrees clockwise; 0 where it is no rectangle"),
  soft: z
    .number()
    .min(0)
    .max(WINDOW_LIMITS.side)
    .describe("How far the artwork goes on being seen through beyond that edge, in pixels"),
  outline: z
    .array(z.tuple([px("x"), px("y")]))
    .max(WINDOW_LIMITS.outline)
    .describe("The convex outline of one that is no rectangle; empty for a rectangle"),
});

export type ArtWindow = z.infer<typeof windowSchema>;
