import { isAbsolute } from "node:path";
import type { Readable } from "node:stream";
import { Inject, Injectable, type OnModuleDestroy } from "@nestjs/common";
import type { WatchView } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { LiveService } from "../live/live.service.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { Problem } from "../safety/problem.ts";
import { notWatched, plainFolder, WatchedFolder } from "./watchedFolder.ts";

const NONE: WatchView = { folder: null, before: 0, came: [], fault: null };

/** The folders that cameras write to, one a job. */
@Injectable()
export class WatchService implements OnModuleDestroy {
  private readonly watched = new Map<string, WatchedFolder>();

  constructor(
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(LiveService) private readonly live: LiveService,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(DataFolder) private readonly data: DataFolder,
  ) {}

  view(job: string, after: number): WatchView {
    return this.watched.get(job)?.view(after) ?? NONE;
  }

  /** Watches a folder for a job, instead of the one before. */
  async start(job: string, given: string): Promise<WatchView> {
    // Says so where there is no such job.
    this.jobs.job(job);
    const folder = plainFolder(given);
    const refuse = (why: string) =>
      new Problem(422, "not-watched", "Not watched", `${folder} ${why}`, { field: "folder" });
    if (!isAbsolute(folder))
      throw refuse("is no whole path. Write it from the top, such as /home/me/Pictures.");
    if (this.data.holds(folder))
      throw refuse("is Wide Quilt’s own. Choose the folder that the camera writes to.");
    const next = await WatchedFolder.open(
      folder,
      (stream, name) => this.photos.receive(stream as Readable, name),
      () => this.live.toJob(job, "watched", () => ({})),
    ).catch((error: unknown) => {
      throw refuse(notWatched(error));
    });
    await this.stop(job);
    this.watched.set(job, next);
    return next.view(0);
  }

  /** What came up to a number is in the job: it is given to nobody again. */
  taken(job: string, upTo: number): void {
    this.watched.get(job)?.taken(upTo);
  }

  async stop(job: string): Promise<void> {
    const before = this.watched.get(job);
    this.watched.delete(job);
    await before?.close();
  }

  async onModuleDestroy(): Promise<void> {
    await Promise.all([...this.watched.keys()].map((job) => this.stop(job)));
  }
}
