import { Inject, Injectable } from "@nestjs/common";
import { arrange, check, LIMITS, type Job, type SheetPlan } from "@wide-quilt/core";
import { JPEG_SIDE } from "@wide-quilt/painters";
import { DataFolder } from "../data/folder.ts";
import { PhotosService } from "../photos/photos.service.ts";
import { Problem } from "../safety/problem.ts";
import type { Format } from "../contract.ts";
import type { PaintTask } from "./task.ts";

/** Turns a job into what a painter needs, and refuses what cannot be written with a sentence. */
@Injectable()
export class TasksService {
  constructor(
    @Inject(PhotosService) private readonly photos: PhotosService,
    @Inject(DataFolder) private readonly folder: DataFolder,
  ) {}

  /** Plans a job's sheets with the server's own computation. */
  sheets(job: Job, format: Format): SheetPlan[] {
    const records = this.photos.records(job.stash.map(({ id }) => id));
    const sheets = arrange(job, records);
    if (sheets.length === 0) {
      const why = check(job, records, sheets)[0]?.sentence ?? "There is nothing on the sheet.";
      throw new Problem(422, "no-sheet", "Nothing to write", why);
    }
    const { width, height } = sheets[0]!.pixels;
    if (format !== "pdf" && width * height > LIMITS.sheetPixels) {
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
    return sheets;
  }

  task(
    job: Job,
    sheets: SheetPlan[],
    as: Pick<PaintTask, "format" | "quality" | "files" | "date" | "picture">,
  ): PaintTask {
    const used = new Set(sheets.flatMap(({ cells }) => cells.flatMap(({ paints }) => paints ?? [])));
    const photos = Object.fromEntries([...used].map((id) => [id, this.folder.original(id)]));
    return { ...as, sheets, photos, title: job.name };
  }
}
