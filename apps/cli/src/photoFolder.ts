import { existsSync } from "node:fs";
import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import type { Job, PhotoId, PhotoRecord } from "@wide-quilt/core";
import { BadPhoto, inspectPhoto, photoHash } from "@wide-quilt/painters";
import { Said } from "./said.ts";

/** The photos of a job as they were found in a folder. */
export interface FoundPhotos {
  records: Record<PhotoId, PhotoRecord>;
  paths: Record<PhotoId, string>;
  /** Names of photos that the folder does not have. */
  missing: string[];
}

/** Finds the photos of a job's stash in a folder: by name, or by content where a photo was renamed. */
export async function findPhotos(job: Job, folder: string | undefined): Promise<FoundPhotos> {
  const found: FoundPhotos = { records: {}, paths: {}, missing: [] };
  if (folder === undefined) return found;
  const byHash = await hashes(job, folder);
  for (const { id, name } of job.stash) {
    const named = join(folder, name);
    const path = existsSync(named) ? named : byHash.get(id);
    if (path === undefined) {
      found.missing.push(name);
      continue;
    }
    try {
      found.records[id] = await inspectPhoto(path);
      found.paths[id] = path;
    } catch (error) {
      if (error instanceof BadPhoto) throw new Said(`${path}: ${error.message}`);
      throw error;
    }
    // What stands behind a person was made from the photo: a file of its own, known by its content alone.
    const made = job.backdrops[id]?.made;
    if (made === undefined) continue;
    const other = byHash.get(made);
    if (other === undefined) found.missing.push(`${name} with its other background`);
    else found.paths[made] = other;
  }
  return found;
}

/** The folder's files by the hash of their bytes, read only when a name is not found. */
async function hashes(job: Job, folder: string): Promise<Map<string, string>> {
  let entries;
  try {
    entries = await readdir(folder, { withFileTypes: true });
  } catch {
    throw new Said(`There is no folder ${folder}.`);
  }
  const files = entries.filter((entry) => entry.isFile()).map(({ name }) => name);
  const known = new Map<string, string>();
  const bare = Object.keys(job.backdrops).length === 0;
  if (bare && job.stash.every(({ name }) => files.includes(name))) return known;
  for (const name of files) {
    const path = join(folder, name);
    known.set(photoHash(await readFile(path)), path);
  }
  return known;
}
