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
  /** 4 for those of ink. */
  channels: 3 | 4;
}

/**
 * What a photo's pixels are once it is opened by `openOwn`, of eight bits where no more are asked for. Grey ones are opened
 * as sRGB, and so are those of CMYK that do not say which inks they mean, or where `inks` are not wanted.
 */
export function ownColours(
  { space, icc, depth, hasAlpha }: Metadata,
  most: 8 | 16,
  inks: "inks" | "no inks" = "no inks",
): OwnColours {
  const profile = icc ?? null;
  if (space === "cmyk" && inks === "inks" && !hasAlpha && meansColoursOf(profile, "CMYK"))
    return { profile, depth: 8, channels: 4 };
  const rgb = space === "srgb" || space === "rgb" || space === "rgb16";
  return {
    profile: rgb && meansColoursOf(profile, "RGB ") ? profile : null,
    depth: most === 16 && depth === "ushort" && rgb ? 16 : 8,
    channels: 3,
  };
}

/** The colours that a profile is of (ICC.1:2022, 7.2.8); a file may well carry one of other colours than its own. */
const meansColoursOf = (profile: Buffer | null, space: "RGB " | "CMYK"): boolean =>
  profile?.toString("latin1", 16, 20) === space;

/** A photo upright in its own colours, transparent parts shown as white paper. */
export function openOwn(input: SharpInput, { space }: Metadata, { depth, channels }: OwnColours): Sharp {
  if (channels === 4)
    return openPhoto(input, { ignoreIcc: true })
      .autoOrient()
      .pipelineColourspace("cmyk")
      .toColourspace("cmyk");
  // Greys, and inks that are not kept, mean nothing without their profile, so for those it is taken into account here.
  const ignoreIcc = space !== "cmyk" && space !== "b-w" && space !== "grey16";
  return upright(openPhoto(input, { ignoreIcc })).toColourspace(depth === 16 ? "rgb16" : "srgb");
}
