import { createReadStream, existsSync } from "node:fs";
import { readdir, stat } from "node:fs/promises";
import { basename, join } from "node:path";
import type { Job, PhotoId, PhotoRecord } from "@wide-quilt/core";
import {
  BadPhoto,
  developHeic,
  HEADS_PREVIEW,
  inspectPhoto,
  lightOf,
  makePreviews,
  PHOTO_LIMITS,
  PhotoHash,
} from "@wide-quilt/painters";
import { headsInPreview } from "@wide-quilt/seeing/node";
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
  await expectFolder(folder);
  let hashed: Promise<Map<string, string>> | null = null;
  const byHash = async (id: string) =>
    HASH.test(id) ? (await (hashed ??= hashes(folder))).get(id) : undefined;
  for (const { id, name } of job.stash) {
    const named = isPlain(name) ? join(folder, name) : null;
    // A file of the right name with other bytes is another photo; names that are no hashes cannot be checked.
    const isIt = named !== null && existsSync(named) && (!HASH.test(id) || (await hashOf(named)) === id);
    const path = isIt ? named : await byHash(id);
    if (path === undefined) {
      found.missing.push(name);
      continue;
    }
    try {
      const record = await inspectPhoto(path);
      const previews = await makePreviews(record.format === "heic" ? await developHeic(path) : path);
      // In just the preview that the server looks at, so that both crop alike.
      const seen = id in job.heads ? undefined : await headsInPreview(previews[HEADS_PREVIEW]);
      found.records[id] = {
        ...record,
        light: await lightOf(previews[320]),
        ...(seen && { seen: { heads: seen, by: "found" } }),
      };
      found.paths[id] = path;
    } catch (error) {
      if (error instanceof BadPhoto) throw new Said(`${path}: ${error.message}`);
      throw error;
    }
    // What stands behind a person was made from the photo: a file of its own, known by its content alone.
    const made = job.backdrops[id]?.made;
    if (made === undefined) continue;
    const other = await byHash(made);
    if (other === undefined) found.missing.push(`${name} with its other background`);
    else found.paths[made] = other;
  }
  return found;
}

async function expectFolder(folder: string): Promise<void> {
  const found = await stat(folder).catch(() => null);
  if (!found?.isDirectory()) throw new Said(`There is no folder ${folder}.`);
}

/** The id of a photo that is the hash of its bytes. */
const HASH = /^[0-9a-f]{64}$/;

/** Whether a name is one of a file in the folder itself: names in job files lead nowhere else. */
const isPlain = (name: string): boolean => name !== ".." && name === basename(name) && !name.includes("\\");

async function hashOf(path: string): Promise<string> {
  const hash = new PhotoHash();
  for await (const part of createReadStream(path)) hash.update(part as Buffer);
  return hash.hex();
}

/** The folder's files by the hash of their bytes, read only when one is not found by its name. */
async function hashes(folder: string): Promise<Map<string, string>> {
  const entries = await readdir(folder, { withFileTypes: true });
  // Links are followed: a folder of links to photos is a folder of photos.
  const paths = entries.filter((entry) => !entry.isDirectory()).map(({ name }) => join(folder, name));
  const known = new Map<string, string>();
  for (const path of paths) {
    const found = await stat(path).catch(() => null);
    if (found?.isFile() && found.size <= PHOTO_LIMITS.bytes) known.set(await hashOf(path), path);
  }
  return known;
}
