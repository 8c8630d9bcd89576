import { createHash, randomUUID } from "node:crypto";
import { readFile, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import { asc, eq } from "drizzle-orm";
import { BUILT_IN, builtInProfile, type ProfileFacts } from "@wide-quilt/colour";
import { BadPhoto, writeWhole } from "@wide-quilt/painters";
import type { ProfileView } from "../contract.ts";
import { DB } from "../data/database.ts";
import type { Db } from "../data/db.ts";
import { DataFolder } from "../data/folder.ts";
import { profiles } from "../data/schema.ts";
import { Reading } from "../photos/reading.ts";
import { Problem } from "../safety/problem.ts";

/** Colour profiles: those that come with the program and those that were added, each kept once. */
@Injectable()
export class ProfilesService {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(Reading) private readonly reading: Reading,
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
    const { name, of, space } = await this.read(bytes);
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

  private async read(bytes: Buffer): Promise<ProfileFacts> {
    const path = join(this.folder.arriving, randomUUID());
    try {
      await writeFile(path, bytes);
      return await this.reading.profile(path);
    } catch (error) {
      if (!(error instanceof BadPhoto || (error as Error).name === "BadProfile")) throw error;
      throw new Problem(422, "bad-profile", "Not a profile that can be used", (error as Error).message);
    } finally {
      await rm(path, { force: true });
    }
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
