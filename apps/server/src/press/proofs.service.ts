import { createHash } from "node:crypto";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import { Cancelled } from "@wide-quilt/painters";
import type { Proof } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { Problem } from "../safety/problem.ts";
import { PaintPool, type Painting } from "./paint.pool.ts";
import type { AskProof } from "./press.dto.ts";
import { ENDING, isDrawing } from "./task.ts";
import { TasksService } from "./tasks.service.ts";

interface KeptProof extends Proof {
  painting: Painting;
  /** The picture to look at: the file itself where it is one. */
  picture: string;
}

/** Proofs kept for looking at again; the oldest goes first. */
const MOST_PROOFS = 24;
const PICTURE_OF_DRAWING = "picture.jpg";

/** Paints single sheets for the Press view. The same question is painted once. */
@Injectable()
export class ProofsService {
  private readonly proofs = new Map<string, KeptProof>();

  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(TasksService) private readonly tasks: TasksService,
    @Inject(PaintPool) private readonly pool: PaintPool,
    @Inject(DataFolder) private readonly folder: DataFolder,
  ) {}

  ask(jobId: string, { format, quality, sheet }: AskProof): Proof {
    const job = this.jobs.job(jobId);
    const sheets = this.tasks.sheets(job, format);
    const plan = sheets[sheet - 1];
    if (!plan) throw Problem.notFound("sheet", `There is no sheet ${sheet}; this job has ${sheets.length}.`);
    const id = createHash("sha256")
      .update(JSON.stringify([plan, job.name, format, format === "jpeg" ? quality : null]))
      .digest("hex")
      .slice(0, 32);
    const known = this.proofs.get(id);
    if (known && (known.state === "painting" || known.state === "done")) return shown(known);
    const file = join(this.folder.proofs, id, `sheet.${ENDING[format]}`);
    const picture = isDrawing(format) ? join(this.folder.proofs, id, PICTURE_OF_DRAWING) : file;
    const task = this.tasks.task(job, [plan], {
      format,
      quality,
      date: 0,
      files: [{ path: file, sheets: 1 }],
      picture: isDrawing(format) ? picture : undefined,
    });
    const painting = this.pool.paint(task, (progress) => (proof.progress = progress));
    const proof: KeptProof = {
      id,
      state: "painting",
      progress: null,
      format,
      sheet,
      bytes: null,
      pixels: plan.pixels,
      why: null,
      painting,
      picture,
    };
    this.keep(proof);
    return shown(proof);
  }

  proof(id: string): Proof {
    return shown(this.kept(id));
  }

  /** Where the picture of a proof that is done lies. */
  picture(id: string): string {
    const { state, picture } = this.kept(id);
    if (state !== "done") throw Problem.notFound("picture", "This sheet is still being painted.");
    return picture;
  }

  cancel(id: string): void {
    const proof = this.kept(id);
    if (proof.state !== "painting") return;
    proof.state = "cancelled";
    proof.painting.cancel();
  }

  private kept(id: string): KeptProof {
    const proof = this.proofs.get(id);
    if (!proof) throw Problem.notFound("proof", "This proof is not kept any more. Ask for it again.");
    return proof;
  }

  private keep(proof: KeptProof): void {
    this.proofs.delete(proof.id);
    this.proofs.set(proof.id, proof);
    proof.painting.result.then(
      ([file]) => {
        if (proof.state === "painting") Object.assign(proof, { state: "done", bytes: file!.bytes });
      },
      (error: unknown) => {
        if (error instanceof Cancelled) proof.state = "cancelled";
        else Object.assign(proof, { state: "failed", why: notPainted(error) });
      },
    );
    for (const old of [...this.proofs.values()].slice(0, -MOST_PROOFS)) {
      if (old.state === "painting") old.painting.cancel();
      this.proofs.delete(old.id);
      void rm(join(this.folder.proofs, old.id), { recursive: true, force: true });
    }
  }
}

/** Why painting failed, for a person. */
export const notPainted = (error: unknown): string =>
  `The sheet could not be painted: ${error instanceof Error ? error.message : String(error)} The job is as it was; put the photo in again or take another.`;

const shown = ({ id, state, progress, format, sheet, bytes, pixels, why }: KeptProof): Proof => ({
  id,
  state,
  progress,
  format,
  sheet,
  bytes,
  pixels,
  why,
});
