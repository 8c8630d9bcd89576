import { Inject, Injectable } from "@nestjs/common";
import { digitalVersion, peopleTicket, personName, type Job, type SheetName } from "@wide-quilt/core";
import { fileName } from "@wide-quilt/painters";
import { JobsService } from "../jobs/jobs.service.ts";
import { Problem } from "../safety/problem.ts";
import { PaintersService } from "./painters.service.ts";

/** JPEG quality where a rule sets no size of the file. */
const QUALITY = 95;
/** Where it does, the finest that fits is wanted. */
const FINEST = 98;

const asJpeg = (job: Job): Job => ({
  ...job,
  target: { ...job.target, file: { ...job.target.file, format: "jpeg" } },
});

/** What a page is asked for as a file by itself: portraits as the files that offices take: the pixels and the bytes that the rule says. */
@Injectable()
export class DigitalService {
  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(PaintersService) private readonly painters: PaintersService,
  ) {}

  async make(jobId: string, shot: number): Promise<{ name: string; jpeg: Uint8Array }> {
    const job = this.jobs.job(jobId);
    const version = digitalVersion(job, shot);
    if (!version.ok) throw new Problem(422, "no-file", "Not made", version.why);
    const { bytes } = version;
    const jpeg = await this.painters.digital(asJpeg(version.job), {
      quality: bytes ? FINEST : QUALITY,
      most: bytes?.to ?? null,
    });
    const person = peopleTicket(job)?.people.find((one) => one.shot === shot);
    return { name: `${fileName(person ? personName(person) : job.name)}.jpg`, jpeg };
  }

  /** What lies in front of the photos of a page, for other programs. */
  async artwork(jobId: string, page: SheetName): Promise<{ name: string; png: Uint8Array }> {
    const job = this.jobs.job(jobId);
    return { name: `${fileName(job.name)}, artwork.png`, png: await this.painters.artwork(job, page) };
  }
}
