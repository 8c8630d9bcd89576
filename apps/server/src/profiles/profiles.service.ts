import { createHash } from "node:crypto";
import { readFile, writeFile } from "node:fs/promises";
import { Inject, Injectable } from "@nestjs/common";
import { asc, eq } from "drizzle-orm";
import { BadProfile, BUILT_IN, builtInProfile, ColourEngine, type ProfileFacts } from "@wide-quilt/colour";
import { writeWhole } from "@wide-quilt/painters";
import type { ProfileView } from "../contract.ts";
import { DB, type Db } from "../data/database.ts";
import { DataFolder } from "../data/folder.ts";
import { profiles } from "../data/schema.ts";
import { Problem } from "../safety/problem.ts";

/** Colour profiles: those that come with the program and those that were added, each kept once. */
@Injectable()
export class ProfilesService {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(DataFolder) private readonly folder: DataFolder,
  ) {}

  list(): ProfileView[] {
    const own = this.db
      .select()
      .from(profiles)
      .where(eq(profiles.listed, true))
      .orderBy(asc(profiles.name))
      .all();
    return [
      ...BUILT_IN.map(({ id, name, standard }) => ({
        id,
        name,
        of: "display" as const,
        space: "RGB" as const,
        about: standard,
        own: false,
      })),
      ...own.map(({ id, name, of, space }) => ({ id, name, of, space, about: SAYS[of], own: true })),
    ];
  }

  /** Keeps a profile. Throws a Problem that says what is wrong with it. */
  async add(bytes: Buffer): Promise<ProfileView> {
    const { name, of, space } = await usable(bytes);
    const id = createHash("sha256").update(bytes).digest("hex").slice(0, 32);
    await writeWhole(this.folder.profile(id), (to) => writeFile(to, bytes));
    this.db
      .insert(profiles)
      .values({ id, name, of, space, listed: true, createdAt: new Date() })
      .onConflictDoUpdate({ target: profiles.id, set: { listed: true } })
      .run();
    return { id, name, of, space, about: SAYS[of], own: true };
  }

  /** A profile's file, also of one that is not listed any more. */
  async bytes(id: string): Promise<Buffer> {
    const own = builtInProfile(id);
    if (own) return own;
    if (!this.db.select().from(profiles).where(eq(profiles.id, id)).get()) {
      throw Problem.notFound("profile", "There is no such profile. Add it again, or choose another.");
    }
    return readFile(this.folder.profile(id));
  }

  remove(id: string): void {
    this.db.update(profiles).set({ listed: false }).where(eq(profiles.id, id)).run();
  }
}

const SAYS: Record<ProfileFacts["of"], string> = {
  display: "a display",
  printer: "a printer with its paper",
  input: "a camera or scanner",
  space: "a colour space",
};

/** Checks that colours can be written for a profile; on an engine of its own, which a broken one may take along. */
async function usable(bytes: Buffer): Promise<ProfileFacts> {
  const refuse = (why: string) => new Problem(422, "bad-profile", "Not a profile that can be used", why);
  try {
    const engine = await ColourEngine.start();
    const profile = engine.open("new", bytes);
    if (profile.of === "input") {
      throw refuse(
        "This profile describes a camera or scanner. Nothing can be printed for it; choose the profile of a printer, a paper or a display.",
      );
    }
    if (profile.space === "GRAY") {
      throw refuse("This profile is for grey alone. Choose one for RGB or CMYK.");
    }
    const srgb = engine.open("srgb", builtInProfile("srgb")!);
    const setup = { intent: "relative", blackPoint: true, depth: 8 } as const;
    engine.conversion(srgb, profile, setup)(Uint8Array.of(200, 100, 50));
    return profile;
  } catch (error) {
    if (error instanceof BadProfile) throw refuse(error.message);
    if (error instanceof Problem) throw error;
    throw refuse("This profile is broken inside and cannot be used. Get it again from its maker.");
  }
}
