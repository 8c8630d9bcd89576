import { existsSync, mkdirSync, rmSync } from "node:fs";
import { mkdir, rename, rm } from "node:fs/promises";
import { dirname, join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import { outputFiles, type Job, type OutputFile, type SheetPlan } from "@wide-quilt/core";
import { fileName, flush, outputNames, UNFINISHED } from "@wide-quilt/painters";
import type { RunNaming } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { ENDING } from "./task.ts";
import { TasksService } from "./tasks.service.ts";

/** The files of runs: what they are called, where they lie until all are written, and how they come to their places. */
@Injectable()
export class RunFiles {
  constructor(
    @Inject(TasksService) private readonly tasks: TasksService,
    @Inject(DataFolder) private readonly folder: DataFolder,
  ) {}

  /** Names that no file has and that were promised to no other run. */
  names(job: Job, sheets: SheetPlan[], naming: RunNaming, promised: ReadonlySet<string>): string[] {
    const { folder, overwrite } = naming;
    const inside = (name: string) => (folder.trim() === "" ? name : `${fileName(folder)}/${name}`);
    const isTaken = (name: string) =>
      promised.has(inside(name)) || (!overwrite && existsSync(join(this.folder.out, inside(name))));
    const asked = this.divided(job, sheets, naming).map(({ name }) => name);
    return outputNames(asked, ENDING[job.press.file.format], isTaken).map(inside);
  }

  /** Where the files of a run are painted, and how many sheets each takes. */
  staged(id: string, job: Job, sheets: SheetPlan[], naming: RunNaming): { path: string; sheets: number }[] {
    mkdirSync(this.staging(id), { recursive: true });
    return this.divided(job, sheets, naming).map(({ sheets: count }, i) => ({
      path: join(this.staging(id), String(i)),
      sheets: count,
    }));
  }

  /** Puts what was painted into its places: a run is whole or it is nothing. */
  async place(id: string, names: readonly string[]): Promise<void> {
    const folders = new Set(names.map((name) => dirname(this.pathOf(name))));
    for (const folder of folders) await mkdir(folder, { recursive: true });
    for (const [i, name] of names.entries())
      await rename(join(this.staging(id), String(i)), this.pathOf(name));
    for (const folder of folders) await flush(folder);
  }

  /** Takes away what a run left half-painted. */
  clear = (id: string): Promise<void> => rm(this.staging(id), { recursive: true, force: true });

  /** The same before anything else is begun. */
  clearNow = (id: string): void => rmSync(this.staging(id), { recursive: true, force: true });

  pathOf = (name: string): string => join(this.folder.out, name);

  private divided(job: Job, sheets: SheetPlan[], { rule, start, each }: RunNaming): OutputFile[] {
    const pages = job.press.file.format === "pdf";
    return outputFiles(job, this.tasks.records(job), sheets, { pages, each, rule, start });
  }

  private staging = (id: string): string => join(this.folder.out, `.${id}${UNFINISHED}`);
}
