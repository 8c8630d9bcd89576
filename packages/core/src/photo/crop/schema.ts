import { z } from "zod";
import { LIMITS } from "../../schema/index.ts";
import { photoId } from "../../schema/parts.ts";

/** How a photo sits in the cells of one shot. */
export const shotSchema = z.strictObject({
  photo: photoId.nullable().describe("The photo that was put there; null for the one that comes by itself"),
  fit: z.enum(["fill", "whole", "free"]),
  scale: z
    .number()
    .min(LIMITS.scale.least)
    .max(LIMITS.scale.most)
    .describe("1 covers the cell exactly; ignored for a whole photo"),
  centre: z
    .strictObject({ x: z.number().min(-5).max(6), y: z.number().min(-5).max(6) })
    .describe("The point of the photo that lies at the middle of the cell, 0…1 from left and top"),
  turn: z
    .union([z.literal("suit"), z.literal(0), z.literal(90), z.literal(180), z.literal(270)])
    .describe("Degrees clockwise, or “suit” to lie on its side where that shows more of the photo"),
  level: z
    .number()
    .min(-45, "must be at least −45°")
    .max(45, "must be at most 45°")
    .describe("Turned by this about the middle of its cell, to level eyes or a horizon; degrees clockwise"),
});

export type Shot = z.infer<typeof shotSchema>;
export type Turn = Shot["turn"];

/** How a shot sits where nothing was set by hand: as its kind of job computes it. */
export type Sits = Omit<Shot, "photo">;

/** A shot as it is computed, nothing set by hand: the photo fills the cell around its middle. */
export const COMPUTED_SHOT: Sits = {
  fit: "fill",
  scale: 1,
  centre: { x: 0.5, y: 0.5 },
  turn: 0,
  level: 0,
};

/** Whether a shot sits otherwise than would be computed for its photo. */
export const isByHand = (shot: Sits, computed: Sits = COMPUTED_SHOT): boolean =>
  shot.fit !== computed.fit ||
  shot.turn !== computed.turn ||
  shot.level !== computed.level ||
  shot.scale !== computed.scale ||
  shot.centre.x !== computed.centre.x ||
  shot.centre.y !== computed.centre.y;
