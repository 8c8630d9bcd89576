import { existsSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { UNFINISHED } from "@wide-quilt/painters";
import type { Db } from "./db.ts";
import type { DataFolder } from "./folder.ts";
import { graphics, photos, profiles } from "./schema.ts";

/**
 * Takes away what killed processes left: files half-written, and those that no row names. Only files whose names are of
 * our own making are looked at.
 */
export function sweep(db: Db, folder: DataFolder): void {
  const known = (rows: { id: string }[]) => new Set(rows.map(({ id }) => id));
  const ofPhotos = known(db.select({ id: photos.id }).from(photos).all());
  const ofGraphics = known(db.select({ id: graphics.id }).from(graphics).all());
  const ofProfiles = known(db.select({ id: profiles.id }).from(profiles).all());
  for (const kind of ["originals", "developed", "previews"])
    sweepFolder(join(folder.photos, kind), (id) => ofPhotos.has(id));
  sweepFolder(folder.graphics, (id) => ofGraphics.has(id));
  sweepFiles(folder.profiles, (id) => ofProfiles.has(id));
}

/** Ids are hashes in hexadecimal; what follows one says what was made of the file. */
const OURS = /^([0-9a-f]{32}(?:[0-9a-f]{32})?)(?:-\d+)?(?:\.jpg|\.icc)?$/;

/** Files lie in folders of the first letters of their names. */
function sweepFolder(folder: string, isKnown: (id: string) => boolean): void {
  if (!existsSync(folder)) return;
  for (const entry of readdirSync(folder, { withFileTypes: true }))
    if (entry.isDirectory() && /^[0-9a-f]{2}$/.test(entry.name))
      sweepFiles(join(folder, entry.name), isKnown);
}

function sweepFiles(folder: string, isKnown: (id: string) => boolean): void {
  if (!existsSync(folder)) return;
  for (const name of readdirSync(folder)) {
    const id = OURS.exec(name)?.[1];
    const isLeft = (name.startsWith(".") && name.endsWith(UNFINISHED)) || (id !== undefined && !isKnown(id));
    if (isLeft) rmSync(join(folder, name), { force: true });
  }
}
