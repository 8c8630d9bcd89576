import { randomUUID } from "node:crypto";
import { mkdir, open, rename, rm, writeFile } from "node:fs/promises";
import { basename, dirname, join } from "node:path";

/**
 * Writes a file so that it is there whole or not at all: into a temporary file beside it, to the disk, then renamed.
 * `write` is given the temporary path. What it leaves when it throws is taken away.
 */
export async function writeWhole(
  path: string,
  write: (temporary: string) => Promise<unknown>,
): Promise<void> {
  await makeFolder(dirname(path));
  await place(path, async (temporary) => {
    await write(temporary);
    await flush(temporary);
  });
  await flush(dirname(path));
}

/**
 * The same for what can be made again: whole or not at all for every reader, but after a power cut it may be gone or
 * empty.
 */
export const writeForNow = (path: string, data: Uint8Array): Promise<void> =>
  place(path, (temporary) => writeFile(temporary, data));

async function place(path: string, write: (temporary: string) => Promise<unknown>): Promise<void> {
  const temporary = temporaryBeside(path);
  await mkdir(dirname(path), { recursive: true, mode: 0o700 });
  try {
    await write(temporary);
    await rename(temporary, path);
  } catch (error) {
    await rm(temporary, { force: true });
    throw error;
  }
}

/** The ending of unfinished files, by which a start after a crash knows what to sweep. */
export const UNFINISHED = ".unfinished";

/** A name for a file that is still being written, in the folder it will stand in. */
export const temporaryBeside = (path: string): string =>
  join(dirname(path), `.${basename(path)}.${randomUUID()}${UNFINISHED}`);

/** Makes a folder and those around it that are missing, so that they are still there after a power cut. */
export async function makeFolder(path: string): Promise<void> {
  const first = await mkdir(path, { recursive: true, mode: 0o700 });
  if (first === undefined) return;
  for (let folder = path; folder.length >= first.length; folder = dirname(folder))
    await flush(dirname(folder));
}

/** Waits until the file, or a folder's list of files, is on the disk. */
export async function flush(path: string): Promise<void> {
  const file = await open(path, "r");
  try {
    await file.sync();
  } finally {
    await file.close();
  }
}
