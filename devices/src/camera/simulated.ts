import { existsSync, mkdirSync, renameSync } from "node:fs";
import { open } from "node:fs/promises";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import { serveCameraPage } from "./page.ts";

export interface CameraOptions {
  /** Where it writes its pictures, as a camera on a cable does. */
  folder: string;
  /** What it sees at a shot, as the bytes of a JPEG. */
  sees(shot: number): Promise<Buffer>;
  /** The port of its page on loopback; 0 for any free one. */
  port?: number;
  /** Milliseconds that a picture takes to be written. */
  pace?: number;
  /** After so many pictures its numbers begin again, and so the names of its files. */
  numbers?: number;
}

/** A picture is written in so many pieces, so that whoever looks too early sees half of it. */
const PIECES = 12;

/**
 * A camera that is none: a shutter, bursts and intervals; it writes large JPEGs slowly into a folder, one after the other. Names
 * repeat, a picture may break off in the middle, and its card can be pulled while it writes.
 */
export class SimulatedCamera {
  /** The names of its pictures, in the order they were written in whole. */
  readonly written: string[] = [];
  /** Whether the next picture breaks off in the middle. */
  breaksOff = false;
  private shots = 0;
  private line: Promise<unknown> = Promise.resolve();
  private interval: ReturnType<typeof setInterval> | null = null;
  private server: Server | null = null;

  constructor(private readonly options: CameraOptions) {
    mkdirSync(options.folder, { recursive: true });
  }

  get folder(): string {
    return this.options.folder;
  }

  /** Where its page is. */
  get address(): string {
    return `http://localhost:${(this.server!.address() as AddressInfo).port}/`;
  }

  get hasCard(): boolean {
    return existsSync(this.folder);
  }

  get isShooting(): boolean {
    return this.interval !== null;
  }

  async start(): Promise<this> {
    const server = createServer((request, response) => serveCameraPage(this, request, response));
    this.server = server;
    await new Promise<void>((resolve) => server.listen(this.options.port ?? 0, "127.0.0.1", resolve));
    return this;
  }

  async stop(): Promise<void> {
    this.every(null);
    await this.line;
    await new Promise((resolve) => this.server?.close(resolve) ?? resolve(null));
  }

  /** Presses the shutter; held down it takes a burst. Done once the last picture is written, or is not. */
  shoot(burst = 1): Promise<void> {
    for (let i = 0; i < burst; i++) {
      const shot = this.shots++;
      this.line = this.line.then(() => this.write(shot));
    }
    return this.line.then(() => undefined);
  }

  /** Shoots by itself every so many milliseconds; null for no more. */
  every(milliseconds: number | null): void {
    if (this.interval !== null) clearInterval(this.interval);
    this.interval = milliseconds === null ? null : setInterval(() => void this.shoot(), milliseconds);
  }

  /** Pulls the card: the folder is gone, with all that is on it; what was being written breaks off. */
  pullCard(): void {
    if (this.hasCard) renameSync(this.folder, this.pulled);
  }

  putCard(): void {
    if (!this.hasCard && existsSync(this.pulled)) renameSync(this.pulled, this.folder);
  }

  private get pulled(): string {
    return `${this.folder}.pulled`;
  }

  private async write(shot: number): Promise<void> {
    const { numbers = 9999, pace = 400, sees } = this.options;
    if (!this.hasCard) return;
    const bytes = await sees(shot);
    const name = `IMG_${String((shot % numbers) + 1).padStart(4, "0")}.JPG`;
    const breaks = this.breaksOff;
    this.breaksOff = false;
    const file = await open(join(this.folder, name), "w");
    try {
      for (let piece = 0; piece < PIECES; piece++) {
        if (!this.hasCard || (breaks && piece === PIECES >> 1)) return;
        const [from, to] = [piece, piece + 1].map((part) => Math.round((part * bytes.length) / PIECES));
        await file.write(bytes.subarray(from, to));
        await new Promise((resolve) => setTimeout(resolve, pace / PIECES));
      }
      this.written.push(name);
    } finally {
      await file.close();
    }
  }
}
