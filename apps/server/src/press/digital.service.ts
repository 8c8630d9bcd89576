import { Inject, Injectable } from "@nestjs/common";
import { digitalVersion, personName, type Job } from "@wide-quilt/core";
import { encodeSheet, fileName, NotEncoded, paintSheet } from "@wide-quilt/painters";
import { JobsService } from "../jobs/jobs.service.ts";
import { Problem } from "../safety/problem.ts";
import { TasksService } from "./tasks.service.ts";

/** JPEG quality where a rule sets no size of the file. */
const QUALITY = 95;
/** Where it does, the finest that fits is wanted. */
const FINEST = 98;

const asJpeg = (job: Job): Job => ({
  ...job,
  press: { ...job.press, file: { ...job.press.file, format: "jpeg" } },
});

/** Portraits as the files that offices take: the pixels and the bytes that the rule says. */
@Injectable()
export class DigitalService {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(TasksService) private readonly tasks: TasksService,
  ) {}

  async make(jobId: string, shot: number): Promise<{ name: string; jpeg: Buffer }> {
    const job = this.jobs.job(jobId);
    const version = digitalVersion(job, shot);
    const refuse = (why: string) => new Problem(422, "no-file", "Not made", why);
    if (!version.ok) throw refuse(version.why);
    const [sheet] = this.tasks.sheets(asJpeg(version.job));
    if (!sheet?.cells[0]?.picture) throw refuse("There is no photo of this person yet.");
    const pixels = await paintSheet(sheet, (id) => this.tasks.pathOf(id));
    const { bytes } = version;
    const jpeg = await encodeSheet(pixels, sheet.ppi, {
      format: "jpeg",
      quality: bytes ? FINEST : QUALITY,
      most: bytes?.to ?? null,
    }).catch((error: unknown) => {
      throw error instanceof NotEncoded ? refuse(error.message) : error;
    });
    const person = job.ticket.kind === "portraits" && job.ticket.people.find((one) => one.shot === shot);
    return { name: `${fileName(person ? personName(person) : job.name)}.jpg`, jpeg };
  }
}
