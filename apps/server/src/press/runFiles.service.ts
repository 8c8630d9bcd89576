import { existsSync } from "node:fs";
import { copyFile, mkdir, readdir, rename, rm, stat } from "node:fs/promises";
import { dirname, join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import { fileName, flush, makeFolder, outputNames } from "@wide-quilt/painters";
import type { RunNaming } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";

/** What a file on its way to another disk is called: after its run, so that nobody else’s is taken for it. */
const ON_ITS_WAY = /^\.[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}-\d+\.unfinished$/;

/** The files of runs: what they are called, where they lie until all are painted, and how they come to their places. */
@Injectable()
export class RunFiles {
  constructor(@Inject(DataFolder) private readonly folder: DataFolder) {}

  /** Names that no file has and that were promised to no other run. */
  names(
    asked: readonly string[],
    ending: string,
    { folder, overwrite }: RunNaming,
    promised: ReadonlySet<string>,
  ): string[] {
    const inside = (name: string) => (folder.trim() === "" ? name : `${fileName(folder)}/${name}`);
    const isTaken = (name: string) =>
      promised.has(inside(name)) || (!overwrite && existsSync(join(this.folder.out, inside(name))));
    return outputNames(asked, ending, isTaken).map(inside);
  }

  /** Where a file of a run is painted. */
  staged(run: string, number: number): string {
    return join(this.staging(run), String(number));
  }

  /** Whether a file of a run is painted, and whole: it lies where it was painted, or in its place already. */
  async isPainted(run: string, number: number, bytes: number, name?: string): Promise<boolean> {
    const isThere = async (path: string) => (await stat(path).catch(() => null))?.size === bytes;
    return (
      (await isThere(this.staged(run, number))) || (name !== undefined && (await isThere(this.pathOf(name))))
    );
  }

  async begin(run: string): Promise<void> {
    await mkdir(this.staging(run), { recursive: true, mode: 0o700 });
  }

  /** Puts what was painted into its places: a run is whole or it is nothing. */
  async place(run: string, names: readonly string[]): Promise<void> {
    const folders = new Set(names.map((name) => dirname(this.pathOf(name))));
    for (const folder of folders) await makeFolder(folder);
    for (const [i, name] of names.entries()) {
      // Placed before a stop that came right then.
      if (existsSync(this.staged(run, i))) await this.move(run, i, name);
    }
    for (const folder of folders) await flush(folder);
  }

  /** Takes away what is painted of a run and not in its place. */
  clear = (run: string): Promise<void> => rm(this.staging(run), { recursive: true, force: true });

  /** Takes away what was painted of all runs but these, and what a stop left of files on their way. */
  async clearAllBut(runs: ReadonlySet<string>): Promise<void> {
    for (const run of await readdir(this.folder.unfinished).catch(() => []))
      if (!runs.has(run)) await this.clear(run);
    const written = await readdir(this.folder.out, { withFileTypes: true, recursive: true });
    for (const { parentPath, name } of written.filter(
      (entry) => entry.isFile() && ON_ITS_WAY.test(entry.name),
    ))
      await rm(join(parentPath, name), { force: true });
  }

  /** Puts one file in its place; where that lies on another disk, it is copied and is there whole or not at all. */
  private async move(run: string, number: number, name: string): Promise<void> {
    const [from, to] = [this.staged(run, number), this.pathOf(name)];
    try {
      await rename(from, to);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== "EXDEV") throw error;
      const beside = join(dirname(to), `.${run}-${number}.unfinished`);
      await copyFile(from, beside);
      await flush(beside);
      await rename(beside, to);
      await rm(from);
    }
  }

  pathOf = (name: string): string => join(this.folder.out, name);

  private staging = (run: string): string => join(this.folder.unfinished, run);
}
