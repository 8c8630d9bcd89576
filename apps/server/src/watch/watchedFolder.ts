import { createReadStream, type Stats } from "node:fs";
import { open, readdir, stat, statfs } from "node:fs/promises";
import { basename, extname, join } from "node:path";
import { setTimeout as sleep } from "node:timers/promises";
import { watch, type FSWatcher } from "chokidar";
import type { TakenIn, WatchView } from "../contract.ts";

/** Endings of files that may be photos; what they are is decided by their content. */
const PHOTO_FILES: ReadonlySet<string> = new Set([
  ...[".jpg", ".jpeg", ".png", ".webp", ".tif", ".tiff", ".avif", ".heic", ".heif"],
  // RAW files: the picture that the camera put into them is taken.
  ...[".dng", ".cr2", ".cr3", ".nef", ".arw", ".orf", ".rw2", ".raf", ".pef", ".srw"],
]);

/** A file that has not grown for so long is whole, one that ends as a JPEG does sooner; and how often that is looked at, in ms. */
const STILL = 700;
const STILL_JPEG = 40;
const LOOKS = 10;
/** How often a folder of another computer is looked into, in milliseconds. */
const POLL = 500;

/** How often it is looked whether the folder is still there: a card is pulled, and put in again. */
const THERE = 1000;

type TakeIn = (stream: NodeJS.ReadableStream, name: string) => Promise<TakenIn>;

/**
 * A folder that a camera writes to. What was in it before stays out; every file that comes, or that becomes another one, is taken in
 * once it has stopped growing, in the order in which they began: a small one does not overtake a large one. While the folder is
 * gone that is said; once it is back it is watched again.
 */
export class WatchedFolder {
  /** How many were in it before. */
  private readonly before: number;
  /** What came and is in no job yet; and how many came in all. */
  private came: WatchView["came"] = [];
  private count = 0;
  private fault: string | null = null;
  private turn: Promise<unknown> = Promise.resolve();
  /** Files that wait for their turn: when each began, by the folder, and when it last changed, by our clock. */
  private readonly waiting = new Map<string, { began: number; changed: number }>();
  private watcher: FSWatcher | null = null;
  private readonly there = setInterval(() => void this.lookThere(), THERE).unref();

  private constructor(
    readonly path: string,
    /** What every file was that is no news: what was there before, and what was taken in. */
    private readonly known: Map<string, string>,
    private readonly takeIn: TakeIn,
    private readonly onCame: () => void,
    private readonly onKnown: (file: string, as: string) => void,
  ) {
    this.before = known.size;
  }

  /**
   * Starts to watch. What lies there already stays out, or what is told to be known: the rest is then taken in. `onKnown` hears
   * of each file that was dealt with. Throws what the system says of a folder that cannot be read.
   */
  static async open(
    path: string,
    takeIn: TakeIn,
    onCame: () => void,
    known?: ReadonlyMap<string, string>,
    onKnown: (file: string, as: string) => void = () => undefined,
  ): Promise<WatchedFolder> {
    const folder = new WatchedFolder(path, new Map(known ?? (await photosIn(path))), takeIn, onCame, onKnown);
    await folder.listen();
    return folder;
  }

  /** What came after a number. */
  view(after: number): WatchView {
    const { path, before, fault } = this;
    return { folder: path, before, fault, came: this.came.filter(({ number }) => number > after) };
  }

  /** Forgets what came up to a number: it is in a job. */
  taken(upTo: number): void {
    this.came = this.came.filter(({ number }) => number > upTo);
  }

  async close(): Promise<void> {
    clearInterval(this.there);
    await this.watcher?.close();
    await this.turn;
  }

  private async listen(): Promise<void> {
    const usePolling = await isElsewhere(this.path);
    const watcher = watch(this.path, { depth: 0, alwaysStat: true, usePolling, interval: POLL });
    this.watcher = watcher;
    const come = (file: string, stats?: Stats) => this.come(file, stats!.birthtimeMs);
    watcher.on("add", come).on("change", come);
    watcher.on("error", (error) =>
      this.say(
        `${this.path} cannot be watched any more (${(error as Error).message}). What came is kept. Choose the folder again.`,
      ),
    );
    await new Promise<void>((resolve) => watcher.once("ready", () => resolve()));
  }

  private async lookThere(): Promise<void> {
    const isThere = await stat(this.path).then(
      (found) => found.isDirectory(),
      () => false,
    );
    if (!isThere && this.watcher) {
      const gone = this.watcher;
      this.watcher = null;
      await gone.close();
      this.say(
        `${this.path} is gone: the card was pulled, or the folder was moved. What came is kept; it goes on once the folder is back.`,
      );
    } else if (isThere && !this.watcher) {
      await this.listen();
      this.say(null);
    }
  }

  private come(file: string, began: number): void {
    if (!isPhotoFile(file)) return;
    const waits = this.waiting.get(file);
    this.waiting.set(file, { began: waits?.began ?? began, changed: performance.now() });
    if (!waits) this.turn = this.turn.then(() => this.next());
  }

  /** Takes the one that began first, once it has been still for long enough. */
  private async next(): Promise<void> {
    for (;;) {
      const [file, { changed }] = [...this.waiting].reduce((first, one) =>
        one[1].began < first[1].began || (one[1].began === first[1].began && one[0] < first[0]) ? one : first,
      );
      const still = performance.now() - changed;
      if (still >= STILL || (still >= STILL_JPEG && (await endsAsJpeg(file)))) {
        this.waiting.delete(file);
        return this.take(file);
      }
      await sleep(LOOKS);
    }
  }

  private async take(file: string): Promise<void> {
    const name = basename(file);
    try {
      const as = await stateOf(file);
      if (this.known.get(file) === as) return;
      this.known.set(file, as);
      this.put(await this.takeIn(createReadStream(file, { highWaterMark: 1 << 20 }), name));
      this.onKnown(file, as);
    } catch (error) {
      // A file that is gone again was not meant for us.
      if ((error as NodeJS.ErrnoException).code === "ENOENT") return;
      // Not dealt with: it is taken when it comes again, or at the next start.
      this.known.delete(file);
      this.put({ refused: { name, why: `The file could not be read (${(error as Error).message}).` } });
    }
  }

  private put(taken: TakenIn): void {
    this.came.push({ number: ++this.count, taken });
    this.onCame();
  }

  private say(fault: string | null): void {
    this.fault = fault;
    this.onCame();
  }
}

/** The photos that lie in a folder, and what each is like. */
export async function photosIn(path: string): Promise<Map<string, string>> {
  const files = (await readdir(path)).filter(isPhotoFile).map((name) => join(path, name));
  const known = new Map<string, string>();
  for (const file of files) known.set(file, await stateOf(file));
  return known;
}

/** File systems that other computers change without this one being told: NFS, SMB, CIFS, FUSE (statfs(2)). */
const ELSEWHERE = new Set([0x6969, 0xfe534d42, 0xff534d42, 0x65735546]);

/** Whether a folder has to be looked into again and again. */
const isElsewhere = async (path: string): Promise<boolean> => ELSEWHERE.has((await statfs(path)).type >>> 0);

/** Whether a file’s last bytes are the end of an image (ITU-T T.81, B.1.1.3: EOI). */
async function endsAsJpeg(path: string): Promise<boolean> {
  const file = await open(path).catch(() => null);
  if (!file) return false;
  try {
    const { size } = await file.stat();
    const end = Buffer.alloc(2);
    await file.read(end, 0, 2, Math.max(0, size - 2));
    return end.readUInt16BE() === 0xffd9;
  } finally {
    await file.close();
  }
}

/** What a file is like, as far as its folder tells: another file has another size or another time. */
async function stateOf(file: string): Promise<string> {
  const { size, mtimeMs } = await stat(file);
  return `${size} ${mtimeMs}`;
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
