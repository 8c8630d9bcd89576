import type { Intent } from "@wide-quilt/core";
import { BadProfile, readProfile, type ProfileFacts } from "./icc/read.ts";
import { readShaper, type Shaper } from "./icc/shaper.ts";
import { instantiate, type Lcms } from "./lcms.ts";
import { atDepth, type Conversion, type Samples } from "./samples.ts";
import { shapedConversion } from "./shaped.ts";

/** A profile that is open in an engine. */
export interface OpenedProfile extends ProfileFacts {
  handle: number;
  channels: number;
  /** Its curves and matrix, where that is all it is. */
  shaper: Shaper | null;
}

export interface ConversionSetup {
  intent: Intent;
  /** Whether black is brought to black (ISO 18619); nothing to the absolute intent. */
  blackPoint: boolean;
  /** Bits a channel that go out; what comes in says by its type how many it has. */
  depth: 8 | 16;
  /** “seen” for what is only looked at: ready sooner, a little less exact. */
  only?: "written" | "seen";
}

const INTENTS: Record<Intent, number> = { perceptual: 0, relative: 1, saturation: 2, absolute: 3 };
const BLACK_POINT = 0x2000;
/**
 * Points along each of three channels of the tables that are made of a conversion, for what is written and for what is
 * looked at. With LittleCMS's own 33 or 49 colours come out up to ΔE 0.8 from the exact way; with these it is under 0.3
 * (see the test against transicc). A table of four channels with as many as would do is too large to make: inks that are
 * written go the exact way, four times as long, and those that are looked at through as many points as LittleCMS takes.
 */
const POINTS = { written: 97, seen: 33 };
const POINTS_OF_FOUR = 23;
/** No optimising at all: every pixel goes the whole way. */
const EXACT = 0x0100 | 0x0040;
/** Pixels at a time: the engine's memory stays small however large the picture. */
const CHUNK = 1 << 16;

/** LittleCMS with the profiles and conversions that were asked of it. It keeps them; make one for each thread. */
export class ColourEngine {
  private readonly profiles = new Map<string, OpenedProfile>();
  private readonly conversions = new Map<string, Conversion>();
  private lab = 0;

  private constructor(private readonly lcms: Lcms) {}

  /** Starts the engine. `wasm` is where its code lies, for who cannot find it by itself. */
  static async start(wasm?: string): Promise<ColourEngine> {
    return new ColourEngine(await instantiate(wasm === undefined ? undefined : { locateFile: () => wasm }));
  }

  /** Opens a profile, or gives back the one that is open under this key. Throws BadProfile. */
  open(key: string, bytes: Uint8Array): OpenedProfile {
    const known = this.profiles.get(key);
    if (known) return known;
    const facts = readProfile(bytes);
    const at = this.lcms._malloc(bytes.length);
    this.lcms.HEAPU8.set(bytes, at);
    const handle = this.lcms._cmsOpenProfileFromMem(at, bytes.length);
    this.lcms._free(at);
    if (handle === 0)
      throw new BadProfile("This profile is broken and cannot be read. Get it again from its maker.");
    const channels = { RGB: 3, CMYK: 4, GRAY: 1 }[facts.space];
    const opened = { ...facts, handle, channels, shaper: readShaper(bytes) };
    this.profiles.set(key, opened);
    return opened;
  }

  /** How pixels of one profile become pixels of another. Throws BadProfile where one of them lacks the way. */
  conversion(from: OpenedProfile, to: OpenedProfile, setup: ConversionSetup): Conversion {
    const key = JSON.stringify([from.handle, to.handle, setup]);
    let conversion = this.conversions.get(key);
    if (!conversion) this.conversions.set(key, (conversion = this.made(from, to, setup)));
    return conversion;
  }

  private made(
    from: OpenedProfile,
    to: OpenedProfile,
    { intent, blackPoint, depth, only = "written" }: ConversionSetup,
  ): Conversion {
    const shaped = from.shaper !== null && to.shaper !== null;
    if (shaped && intent !== "absolute") return shapedConversion(from.shaper!, to.shaper!, depth);
    const exact = shaped || (from.channels === 4 && only === "written");
    const points = from.channels === 4 ? POINTS_OF_FOUR : POINTS[only];
    const flags = (exact ? EXACT : points << 16) | (blackPoint && intent !== "absolute" ? BLACK_POINT : 0);
    const transform = this.lcms.cmsCreateTransform(
      from.handle,
      // Sixteen bits always: for eight, LittleCMS straightens tones first, which goes wrong where dark ones are clipped.
      this.format(from, 16),
      to.handle,
      this.format(to, depth),
      INTENTS[intent],
      flags,
    );
    if (transform === 0)
      throw new BadProfile(
        `Colours cannot be brought from “${from.name}” to “${to.name}”: one of the two profiles lacks the tables for it. Choose another.`,
      );
    return (pixels) => this.run(transform, pixels, from.channels, to.channels, depth);
  }

  /** L*a*b* under D50 of colours of a profile, three numbers each; the way that measures are taken. */
  toLab(from: OpenedProfile, pixels: Samples, intent: Intent): Float32Array {
    this.lab ||= this.lcms.cmsCreateLab4Profile(null);
    const transform = this.lcms.cmsCreateTransform(
      from.handle,
      this.format(from, pixels instanceof Uint16Array ? 16 : 8),
      this.lab,
      this.lcms.cmsFormatterForColorspaceOfProfile(this.lab, 4, 1),
      INTENTS[intent],
      EXACT,
    );
    if (transform === 0) throw new BadProfile(`“${from.name}” does not say what its colours look like.`);
    const count = pixels.length / from.channels;
    const out = new Float32Array(count * 3);
    for (let at = 0; at < count; at += CHUNK) {
      const part = pixels.subarray(at * from.channels, (at + CHUNK) * from.channels);
      out.set(this.lcms.cmsDoTransform<Float32Array>(transform, part, part.length / from.channels), at * 3);
    }
    this.lcms.cmsDeleteTransform(transform);
    return out;
  }

  private format = ({ handle }: OpenedProfile, bits: 8 | 16): number =>
    this.lcms.cmsFormatterForColorspaceOfProfile(handle, bits / 8, 0);

  private run(transform: number, pixels: Samples, from: number, to: number, bits: 8 | 16): Samples {
    const count = pixels.length / from;
    const out = bits === 8 ? new Uint8Array(count * to) : new Uint16Array(count * to);
    for (let at = 0; at < count; at += CHUNK) {
      const part = atDepth(pixels.subarray(at * from, (at + CHUNK) * from), 16);
      out.set(this.lcms.cmsDoTransform<Samples>(transform, part, part.length / from), at * to);
    }
    return out;
  }
}
