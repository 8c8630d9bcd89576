import { builtInProfile } from "./builtIn.ts";
import { ColourEngine } from "./engine.ts";
import { BadProfile, type ProfileFacts } from "./icc/read.ts";

/**
 * Reads a profile and tries out whether colours can be written for it; on an engine of its own, which a broken one may
 * take along. Throws BadProfile with a sentence.
 */
export async function readUsableProfile(bytes: Buffer): Promise<ProfileFacts> {
  try {
    const engine = await ColourEngine.start();
    const profile = engine.open("new", bytes);
    if (profile.of === "input") {
      throw new BadProfile(
        "This profile describes a camera or scanner. Nothing can be printed for it; choose the profile of a printer, a paper or a display.",
      );
    }
    if (profile.space === "GRAY") {
      throw new BadProfile("This profile is for grey alone. Choose one for RGB or CMYK.");
    }
    const srgb = engine.open("srgb", builtInProfile("srgb")!);
    const setup = { intent: "relative", blackPoint: true, depth: 8 } as const;
    engine.conversion(srgb, profile, setup)(Uint8Array.of(200, 100, 50));
    const { name, of, space } = profile;
    return { name, of, space } as ProfileFacts;
  } catch (error) {
    if (error instanceof BadProfile) throw error;
    throw new BadProfile("This profile is broken inside and cannot be used. Get it again from its maker.");
  }
}
