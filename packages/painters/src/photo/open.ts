import sharp, { type Sharp, type SharpInput, type SharpOptions } from "sharp";
import { PHOTO_LIMITS } from "./limits.ts";

/**
 * Opens a photo for decoding, the one way that all painters do it: damaged data is an error, harmless oddities of
 * cameras are not, and no photo can be larger than the limits say.
 */
export const openPhoto = (input: SharpInput, options: SharpOptions = {}): Sharp =>
  sharp(input, { failOn: "error", limitInputPixels: PHOTO_LIMITS.pixels, ...options });

/** The same, upright and in sRGB, transparent parts shown as white paper. */
export const openUpright = (input: SharpInput): Sharp =>
  openPhoto(input).autoOrient().flatten({ background: "#ffffff" }).toColourspace("srgb");
