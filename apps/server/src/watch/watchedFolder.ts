import { createReadStream } from "node:fs";
import { readdir, stat } from "node:fs/promises";
import { basename, extname, join } from "node:path";
import { watch, type FSWatcher } from "chokidar";
import type { TakenIn, WatchView } from "../contract.ts";

/** Endings of files that may be photos; what they are is decided by their content. */
const PHOTO_FILES: ReadonlySet<string> = new Set([
  ...[".jpg", ".jpeg", ".png", ".webp", ".tif", ".tiff", ".avif", ".heic", ".heif"],
]);

/** A file that has not grown for so long is whole, and how often that is looked at, in milliseconds. */
const STILL = 700;
const LOOKS = 100;

/**
 * A folder that a camera writes to. What was in it before stays out; every file that comes, or that changes, is taken in once it has stopped growing,
 * one after the other in the order of their times.
 */
export class WatchedFolder {
  private readonly came: WatchView["came"] = [];
  private fault: string | null = null;
  private turn: Promise<unknown> = Promise.resolve();
  /** Size and time of every file that was taken: a camera that says a file changed when it only was read says nothing new. */
  private readonly taken = new Map<string, string>();

  private constructor(
    readonly path: string,
    private readonly before: number,
    private readonly watcher: FSWatcher,
    private readonly takeIn: (stream: NodeJS.ReadableStream, name: string) => Promise<TakenIn>,
    private readonly onCame: () => void,
  ) {
    const come = (file: string) => {
      if (isPhotoFile(file)) this.turn = this.turn.then(() => this.take(file));
    };
    watcher.on("add", come).on("change", come);
    watcher.on("error", (error) => this.fail(error));
    // A card that is pulled takes the folder with it.
    watcher.on("unlinkDir", (gone) => gone === path && this.fail(null));
  }

  /** Starts to watch. Throws what the system says of a folder that cannot be read. */
  static async open(
    path: string,
    takeIn: (stream: NodeJS.ReadableStream, name: string) => Promise<TakenIn>,
    onCame: () => void,
  ): Promise<WatchedFolder> {
    const before = (await readdir(path)).filter(isPhotoFile).length;
    const watcher = watch(path, {
      ignoreInitial: true,
      depth: 0,
      awaitWriteFinish: { stabilityThreshold: STILL, pollInterval: LOOKS },
    });
    await new Promise<void>((resolve) => watcher.once("ready", () => resolve()));
    return new WatchedFolder(path, before, watcher, takeIn, onCame);
  }

  /** What came after a number. */
  view(after: number): WatchView {
    const { path, before, fault } = this;
    return { folder: path, before, fault, came: this.came.filter(({ number }) => number > after) };
  }

  async close(): Promise<void> {
    await this.watcher.close();
    await this.turn;
  }

  private async take(file: string): Promise<void> {
    const name = basename(file);
    try {
      const { size, mtimeMs } = await stat(file);
      const as = `${size} ${mtimeMs}`;
      if (size === 0 || this.taken.get(file) === as) return;
      this.taken.set(file, as);
      this.put(await this.takeIn(createReadStream(file), name));
    } catch (error) {
      // A file that is gone again was not meant for us.
      if ((error as NodeJS.ErrnoException).code === "ENOENT") return;
      this.put({ refused: { name, why: `The file could not be read (${(error as Error).message}).` } });
    }
  }

  private put(taken: TakenIn): void {
    this.came.push({ number: this.came.length + 1, taken });
    this.onCame();
  }

  private fail(error: unknown): void {
    this.fault =
      error instanceof Error
        ? `${this.path} cannot be watched any more (${error.message}). What came is kept. Choose the folder again.`
        : `${this.path} is gone: the card was pulled, or the folder was moved. What came is kept. Choose the folder again once it is back.`;
    this.onCame();
  }
}

const isPhotoFile = (file: string): boolean =>
  PHOTO_FILES.has(extname(file).toLowerCase()) && !basename(file).startsWith(".");

/** Why a folder cannot be watched, in words that follow its name. */
export function notWatched(error: unknown): string {
  switch ((error as NodeJS.ErrnoException).code) {
    case "ENOENT":
      return "is not there. Look whether its name is right and the card is in.";
    case "ENOTDIR":
      return "is a file, not a folder.";
    case "EACCES":
    case "EPERM":
      return "may not be read by Wide Quilt.";
    default:
      return `cannot be watched (${(error as Error).message}).`;
  }
}

/** The folder as one path, whatever a person wrote around it. */
export const plainFolder = (given: string): string => join(given.trim().replace(/^["']|["']$/g, ""));
