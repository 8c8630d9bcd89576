import { existsSync } from "node:fs";
import { Inject, Injectable } from "@nestjs/common";
import {
  arrange,
  check,
  forPrinter,
  isDrawing,
  LIMITS,
  type Job,
  type PhotoRecord,
  type SheetPlan,
} from "@wide-quilt/core";
import { JPEG_SIDE } from "@wide-quilt/painters";
import { DataFolder } from "../data/folder.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { Problem } from "../safety/problem.ts";
import { ProfilesService } from "../profiles/profiles.service.ts";
import type { PaintTask } from "./task.ts";

/** Turns a job into what a painter needs, and refuses what cannot be written with a sentence. */
@Injectable()
export class TasksService {
  constructor(
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(DataFolder) private readonly folder: DataFolder,
    @Inject(ProfilesService) private readonly profiles: ProfilesService,
  ) {}

  /**
   * Plans a job's sheets with the server's own computation, as its printer has to be sent them for them to come out in
   * their true size.
   */
  sheets(job: Job): SheetPlan[] {
    const records = this.records(job);
    const { format } = job.press.file;
    const sheets = arrange(job, records);
    if (sheets.length === 0) {
      const why = check(job, records, sheets)[0]?.sentence ?? "There is nothing on the sheet.";
      throw new Problem(422, "no-sheet", "Nothing to write", why);
    }
    const { width, height } = sheets[0]!.pixels;
    if (!isDrawing(format) && width * height > LIMITS.sheetPixels) {
      throw new Problem(
        422,
        "too-many-pixels",
        "Too many pixels",
        `The file would have ${width} × ${height} px; the most is ${LIMITS.sheetPixels / 1e6} million. Lower the ppi or write a PDF.`,
      );
    }
    if (format === "jpeg" && Math.max(width, height) > JPEG_SIDE) {
      throw new Problem(
        422,
        "too-long-for-jpeg",
        "Too long for a JPEG",
        `A JPEG can be ${JPEG_SIDE} px long at most, this sheet is ${Math.max(width, height)} px. Write a PNG or a PDF.`,
      );
    }
    return forPrinter(job, sheets);
  }

  /** What is known of a job's photos. */
  records(job: Job): Record<string, PhotoRecord> {
    return this.photos.records(job.stash.map(({ id }) => id));
  }

  async task(
    job: Job,
    sheets: SheetPlan[],
    as: Pick<PaintTask, "files" | "date" | "picture" | "weigh" | "inks" | "raster">,
  ): Promise<PaintTask> {
    const photos = sheets.flatMap(({ cells }) => cells.flatMap(({ paints }) => paints ?? []));
    const inks = sheets
      .flatMap(({ backing, cells, over }) => [...backing, ...cells.flatMap((cell) => cell.over), ...over])
      .flatMap((ink) => (ink.kind === "picture" ? ink.of.id : []));
    const used = new Set([...photos, ...inks]);
    const paths = Object.fromEntries([...used].map((id) => [id, this.pathOf(id)]));
    const { press } = job;
    const profile = press.colour ? await this.profiles.bytes(press.colour.profile) : null;
    return { ...as, sheets, press, profile, photos: paths, title: job.name };
  }

  /** Where the file of a photo or a graphic lies, as painters read it. */
  pathOf(id: string): string {
    const graphic = this.folder.graphic(id);
    return existsSync(graphic) ? graphic : this.folder.readable(id);
  }
}
