import sharp, { type Metadata, type Sharp, type SharpInput, type SharpOptions } from "sharp";
import { PHOTO_LIMITS } from "./limits.ts";

/**
 * Opens a photo for decoding, the one way that all painters do it: damaged data is an error, harmless oddities of
 * cameras are not, and no photo can be larger than the limits say.
 */
export const openPhoto = (input: SharpInput, options: SharpOptions = {}): Sharp =>
  sharp(input, { failOn: "error", limitInputPixels: PHOTO_LIMITS.pixels, ...options });

const upright = (image: Sharp): Sharp => image.autoOrient().flatten({ background: "#ffffff" });

/** The same, upright and in sRGB, transparent parts shown as white paper. */
export const openUpright = (input: SharpInput): Sharp => upright(openPhoto(input)).toColourspace("srgb");

/** A photo's own colours: what they mean, and how many bits they have. */
export interface OwnColours {
  /** Null for sRGB, which is what a photo without a profile is taken for. */
  profile: Buffer | null;
  depth: 8 | 16;
}

/** What a photo's pixels are once it is opened by `openOwn`. Grey and CMYK ones are opened as sRGB. */
export function ownColours({ space, icc, depth }: Metadata, most: 8 | 16): OwnColours {
  const rgb = space === "srgb" || space === "rgb" || space === "rgb16";
  return { profile: rgb ? (icc ?? null) : null, depth: most === 16 && depth === "ushort" && rgb ? 16 : 8 };
}

/** A photo upright in its own colours, transparent parts shown as white paper. */
export function openOwn(input: SharpInput, { space }: Metadata, { depth }: OwnColours): Sharp {
  // Colours of ink and greys mean nothing without their profile, so for those it is taken into account here.
  const ignoreIcc = space !== "cmyk" && space !== "b-w" && space !== "grey16";
  return upright(openPhoto(input, { ignoreIcc })).toColourspace(depth === 16 ? "rgb16" : "srgb");
}
