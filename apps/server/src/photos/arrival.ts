import { randomUUID } from "node:crypto";
import { open, rm } from "node:fs/promises";
import { join } from "node:path";
import type { Readable } from "node:stream";
import { PHOTO_LIMITS, PhotoHash } from "@wide-quilt/painters";

/** A file that has come in whole and waits to be looked at. */
export interface Arrival {
  path: string;
  /** The hash of its bytes, in hexadecimal: the photo's id. */
  hash: string;
  /** Set when there were more bytes than are read; the file is cut off then. */
  tooLarge: boolean;
}

/**
 * Takes a file in: streamed to the disk and hashed on the way, never held in memory. What came of one that broke off, or
 * that the disk did not take, is taken away again, and the error of the stream or of the disk is thrown.
 */
export async function arrive(stream: Readable, folder: string): Promise<Arrival> {
  const path = join(folder, randomUUID());
  try {
    return { path, ...(await written(stream, path)) };
  } catch (error) {
    await rm(path, { force: true });
    throw error;
  }
}

/**
 * The stream is read to its end whatever becomes of the file: who is still sending does not hear an answer, but a line that
 * is cut.
 */
async function written(stream: Readable, path: string): Promise<Omit<Arrival, "path">> {
  const file = await open(path, "wx");
  const hash = new PhotoHash();
  let bytes = 0;
  let trouble: Error | undefined;
  try {
    for await (const chunk of stream as AsyncIterable<Buffer>) {
      bytes += chunk.length;
      if (trouble || bytes > PHOTO_LIMITS.bytes) continue;
      hash.update(chunk);
      await file.writeFile(chunk).catch((error: Error) => (trouble = error));
    }
  } finally {
    await file.close().catch((error: Error) => (trouble ??= error));
  }
  if (trouble) throw trouble;
  return { hash: hash.hex(), tooLarge: bytes > PHOTO_LIMITS.bytes };
}
