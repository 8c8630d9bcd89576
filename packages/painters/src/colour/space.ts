import { createHash } from "node:crypto";
import {
  atDepth,
  builtInProfile,
  ColourEngine,
  type Conversion,
  type OpenedProfile,
  type Samples,
} from "@wide-quilt/colour";
import type { ColourSetup } from "@wide-quilt/core";

/** What a sheet's colours are written for: a profile's bytes and how they are brought there; null for no management. */
export interface OutputColour extends Pick<ColourSetup, "intent" | "blackPoint"> {
  profile: Buffer;
}

/** The colours of the pixels that a sheet is painted with. */
export interface PaintSpace {
  /** What it is known by: spaces of the same name make the same pixels. */
  name: string;
  channels: 3 | 4;
  depth: 8 | 16;
  /** What stands in the file; null for nothing. */
  profile: Buffer | null;
  /** A sample of bare paper: all light of RGB, no ink of CMYK. */
  paper: number;
  /** The largest sample. */
  most: number;
  /** Pixels of sRGB, three bytes each, as pixels of this space. */
  fromSrgb(rgb: Samples): Samples;
  /** From a photo's own colours to sRGB, where looks work; null where they are the same. */
  toSrgb(profile: Buffer | null): Conversion | null;
  /** From a photo's own colours; a photo without a profile is taken for sRGB. */
  fromPhoto(profile: Buffer | null): (pixels: Samples) => Samples;
}

let engine: Promise<ColourEngine> | undefined;
/** The engine of this thread. */
export const colourEngine = (): Promise<ColourEngine> => (engine ??= ColourEngine.start());

export const SRGB = builtInProfile("srgb")!;
/** What every shop takes. */
export const SRGB_OUT: OutputColour = { profile: SRGB, intent: "relative", blackPoint: true };

/** Gets ready to paint in the colours that are asked for. Throws BadProfile. */
export async function paintSpace(
  colour: OutputColour | null = SRGB_OUT,
  depth: 8 | 16 = 8,
): Promise<PaintSpace> {
  const most = depth === 8 ? 255 : 65_535;
  const asIs = (pixels: Samples) => atDepth(pixels, depth);
  if (!colour) {
    return {
      name: `none ${depth}`,
      channels: 3,
      depth,
      profile: null,
      paper: most,
      most,
      fromSrgb: asIs,
      toSrgb: () => null,
      fromPhoto: () => asIs,
    };
  }
  const own = await colourEngine();
  const { profile, intent, blackPoint } = colour;
  const srgb = own.open("srgb", SRGB);
  const key = keyOf(profile);
  const to = own.open(key, profile);
  const channels = to.space === "CMYK" ? 4 : 3;
  const way = (from: OpenedProfile): ((pixels: Samples) => Samples) =>
    from === to || (isSrgb(own, from) && isSrgb(own, to))
      ? asIs
      : own.conversion(from, to, { intent, blackPoint, depth });
  const opened = (photo: Buffer | null) => (photo ? own.open(keyOf(photo), photo) : srgb);
  const fromSrgb = way(srgb);
  return {
    name: [key, intent, blackPoint, depth].join(" "),
    channels,
    depth,
    profile,
    paper: channels === 4 ? 0 : most,
    most,
    fromSrgb,
    toSrgb: (photo) => {
      const from = opened(photo);
      if (isSrgb(own, from)) return null;
      return own.conversion(from, srgb, { intent: "relative", blackPoint: true, depth: 8 });
    },
    fromPhoto: (photo) => way(opened(photo)),
  };
}

const keyOf = (profile: Buffer): string =>
  profile === SRGB ? "srgb" : createHash("sha256").update(profile).digest("base64");

const known = new WeakMap<OpenedProfile, boolean>();

/** Whether a profile means what sRGB means: none of 27 colours is more than a byte's step away. */
function isSrgb(own: ColourEngine, profile: OpenedProfile): boolean {
  let is = known.get(profile);
  if (is === undefined) {
    const steps = [0, 128, 255];
    const cube = Uint8Array.from(steps.flatMap((r) => steps.flatMap((g) => steps.flatMap((b) => [r, g, b]))));
    const srgb = own.open("srgb", SRGB);
    const setup = { intent: "relative", blackPoint: false, depth: 8 } as const;
    is =
      profile === srgb ||
      (profile.space === "RGB" &&
        own
          .conversion(
            profile,
            srgb,
            setup,
          )(cube)
          .every((v, i) => Math.abs(v - cube[i]!) <= 1));
    known.set(profile, is);
  }
  return is;
}
