import { z } from "zod";
import { inch, mm, um } from "../../base/length/index.ts";
import { LIMITS } from "../../schema/index.ts";
import { colour, count, length } from "../../schema/parts.ts";

/** What a panel’s side is: so long, or a share of what the others leave. */
const sideSchema = z.union([
  z.strictObject({ size: length(LIMITS.mural, "A side that is given") }),
  z.strictObject({ share: count({ least: 1, most: 100 }, "Its part of what the given ones leave") }),
]);

export type Side = z.infer<typeof sideSchema>;

/** Columns or rows of panels. */
export const MOST_PANELS = 12;

const sides = (about: string) => z.array(sideSchema).min(1).max(MOST_PANELS).describe(about);

/** A page that hangs in pieces, each on a board or a frame of its own. */
export const panelsSchema = z.strictObject({
  columns: sides("The columns of panels, from the left"),
  rows: sides("The rows of panels, from the top"),
  gap: length(LIMITS.gap, "Between two panels on the wall"),
  behind: z
    .boolean()
    .describe("Whether the picture runs on behind the gaps, so that what lies there is not seen"),
  step: length(
    LIMITS.gap,
    "How much of a panel’s top and foot is left away for every step from the middle column",
  ),
  wrap: z.strictObject({
    way: z
      .enum(["none", "picture", "mirrored", "stretched", "colour"])
      .describe(
        "What goes around the edges of a frame: nothing, the picture as it goes on, the same mirrored at the edge, its last strip stretched, or a colour",
      ),
    deep: length(LIMITS.wrap, "How far it goes around"),
    colour,
  }),
  hang: z.strictObject({
    middle: length(LIMITS.mural, "From the floor to the middle of all panels"),
    hooks: count({ least: 1, most: 4 }, "Hooks to a panel"),
    below: length(LIMITS.gap, "From a panel’s upper edge down to its hooks"),
  }),
});

export type Panels = z.infer<typeof panelsSchema>;
export type Wrap = Panels["wrap"];

/** Three alike, as a triptych has them. The middle of a picture hangs at the height of eyes that stand before it. */
export const TRIPTYCH: Panels = {
  columns: [{ share: 1 }, { share: 1 }, { share: 1 }],
  rows: [{ share: 1 }],
  gap: mm(20),
  behind: true,
  step: um(0),
  wrap: { way: "none", deep: mm(40), colour: "#ffffff" },
  hang: { middle: mm(1500), hooks: 1, below: mm(20) },
};

/** The same for readers of inches: what is round in millimetres is not. */
export const TRIPTYCH_IN_INCHES: Panels = {
  ...TRIPTYCH,
  gap: inch(0.75),
  wrap: { ...TRIPTYCH.wrap, deep: inch(1.5) },
  hang: { middle: inch(58), hooks: 1, below: inch(0.75) },
};
