import { randomUUID } from "node:crypto";
import { createWriteStream } from "node:fs";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import { Transform, type TransformCallback } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { Request } from "express";
import type { StorageEngine } from "multer";
import { photoHash, PHOTO_LIMITS } from "@wide-quilt/painters";

/** A file that has come in whole and waits to be looked at. */
export interface Arrival {
  path: string;
  /** The hash of its bytes, in hexadecimal: the photo's id. */
  hash: string;
  /** Set when there were more bytes than are read; the file is cut off then. */
  tooLarge: boolean;
}

/** An uploaded file after `ArrivalStorage`: its arrival has already been handed on. */
export type ArrivedFile<T> = Express.Multer.File & { outcome: Promise<T> };

/**
 * Takes uploads in: streamed to the disk and hashed on the way, never held in memory. Each file is handed on as soon
 * as it is there, while the next one still comes in. A file that is too large is only that file's fault.
 */
export class ArrivalStorage<T> implements StorageEngine {
  constructor(
    private readonly folder: string,
    private readonly handOn: (arrival: Arrival) => Promise<T>,
  ) {}

  _handleFile(
    _request: Request,
    file: Express.Multer.File,
    done: (error?: unknown, info?: Partial<ArrivedFile<T>>) => void,
  ): void {
    const path = join(this.folder, randomUUID());
    const meter = new Meter();
    pipeline(file.stream, meter, createWriteStream(path, { highWaterMark: 1 << 20 })).then(
      () => {
        const arrival = { path, hash: meter.digest(), tooLarge: meter.tooLarge };
        const outcome = this.handOn(arrival).finally(() => rm(path, { force: true }));
        // Awaited once all files are in; until then a refusal must not count as unhandled.
        outcome.catch(() => undefined);
        done(null, { path, outcome });
      },
      (error: unknown) => void rm(path, { force: true }).then(() => done(error)),
    );
  }

  _removeFile(_request: Request, file: Express.Multer.File, done: (error: Error | null) => void): void {
    void rm(file.path, { force: true }).then(() => done(null));
  }
}

/** Hashes and counts what passes; past the limit it lets nothing more through, but reads on to the end. */
class Meter extends Transform {
  tooLarge = false;
  private bytes = 0;
  private readonly hash = photoHash();

  override _transform(chunk: Buffer, _encoding: BufferEncoding, done: TransformCallback): void {
    this.bytes += chunk.length;
    this.tooLarge ||= this.bytes > PHOTO_LIMITS.bytes;
    if (this.tooLarge) return done();
    this.hash.update(chunk);
    done(null, chunk);
  }

  digest(): string {
    return this.hash.digest("hex");
  }
}
