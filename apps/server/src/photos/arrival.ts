import { randomUUID } from "node:crypto";
import { createWriteStream } from "node:fs";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import { Transform, type Readable, type TransformCallback } from "node:stream";
import { finished, pipeline } from "node:stream/promises";
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
  const meter = new Meter();
  try {
    await written(stream, meter, path);
  } catch (error) {
    await rm(path, { force: true });
    throw error;
  }
  return { path, hash: meter.digest(), tooLarge: meter.tooLarge };
}

/**
 * The stream is read to its end whatever becomes of the file: who is still sending does not hear an answer, but a line that
 * is cut. So it is no part of the pipeline, which would destroy it.
 */
async function written(stream: Readable, meter: Meter, path: string): Promise<void> {
  const saved = pipeline(meter, createWriteStream(path, { highWaterMark: 1 << 20 }));
  saved.catch(() => stream.unpipe(meter).resume());
  stream.pipe(meter);
  try {
    await finished(stream, { writable: false });
  } catch (error) {
    meter.destroy();
    await saved.catch(() => undefined);
    throw error;
  }
  await saved;
}

/** Hashes and counts what passes; past the limit it lets nothing more through, but reads on to the end. */
class Meter extends Transform {
  tooLarge = false;
  private bytes = 0;
  private readonly hash = new PhotoHash();

  override _transform(chunk: Buffer, _encoding: BufferEncoding, done: TransformCallback): void {
    this.bytes += chunk.length;
    this.tooLarge ||= this.bytes > PHOTO_LIMITS.bytes;
    if (this.tooLarge) return done();
    this.hash.update(chunk);
    done(null, chunk);
  }

  digest(): string {
    return this.hash.hex();
  }
}
