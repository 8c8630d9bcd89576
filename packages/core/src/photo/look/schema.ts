import { z } from "zod";

const strength = (least: number, most: number, about: string) =>
  z.number().min(least, `must be at least ${least}`).max(most, `must be at most ${most}`).describe(about);

/** The least and the most of each figure of a look, and the step that a slider takes. */
export const LOOK_RANGES = {
  exposure: { least: -3, most: 3, step: 0.1 },
  contrast: { least: -1, most: 1, step: 0.05 },
  saturation: { least: -1, most: 1, step: 0.05 },
  warmth: { least: -1, most: 1, step: 0.05 },
  fade: { least: 0, most: 1, step: 0.05 },
  mono: { least: 0, most: 1, step: 0.05 },
  pale: { least: 0, most: 1, step: 0.05 },
} as const;

export type LookFigure = keyof typeof LOOK_RANGES;

const figure = (name: LookFigure, about: string) =>
  strength(LOOK_RANGES[name].least, LOOK_RANGES[name].most, about);

const curvePoint = z.strictObject({
  x: strength(0, 1, "Tone before, 0 black … 1 white"),
  y: strength(0, 1, "Tone after"),
});

/** How a photo's tones and colours are changed where it is painted; the photo itself stays as it is. */
export const lookSchema = z.strictObject({
  exposure: figure("exposure", "Stops of light"),
  contrast: figure("contrast", "Around middle grey"),
  saturation: figure("saturation", "−1 grey, 0 as it is, 1 twice as colourful"),
  warmth: figure("warmth", "−1 cold … 1 warm"),
  fade: figure("fade", "Blacks lifted and colours thinned, as a print in the sun"),
  mono: figure("mono", "1 black and white"),
  pale: figure("pale", "Screened back: 1 leaves white paper"),
  curve: z
    .array(curvePoint)
    .max(8)
    .describe("Points of a tone curve, from left to right; none for a straight one"),
});

export type Look = z.infer<typeof lookSchema>;

/** A look that changes nothing. */
export const AS_IT_IS: Look = {
  exposure: 0,
  contrast: 0,
  saturation: 0,
  warmth: 0,
  fade: 0,
  mono: 0,
  pale: 0,
  curve: [],
};
