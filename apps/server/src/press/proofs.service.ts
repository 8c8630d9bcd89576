import { createHash } from "node:crypto";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import { coarse, isDrawing, type Job } from "@wide-quilt/core";
import { Cancelled } from "@wide-quilt/painters";
import type { JpegSizes, Proof } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { Problem } from "../safety/problem.ts";
import { notPainted } from "./notPainted.ts";
import { PaintPool, type Painting } from "./paint.pool.ts";
import type { AskProof } from "./press.dto.ts";
import { ENDING } from "./task.ts";
import { TasksService } from "./tasks.service.ts";

interface KeptProof extends Proof {
  painting: Painting;
  /** The picture to look at: the file itself where it is one. */
  picture: string;
}

/** Proofs kept for looking at again; the oldest goes first. */
const MOST_PROOFS = 24;
const PICTURE = "picture.jpg";
/** Qualities that a sheet is weighed at for the curve of size against quality. */
const WEIGHED = [30, 50, 65, 75, 82, 88, 92, 95, 98, 100] as const;
/** The longest side of the picture that a soft proof is made of, in pixels. */
const SOFT_PROOF_SIDE = 1400;

/** Whether a browser shows the file as it is. */
const isShown = ({ press: { file, colour } }: Job): boolean =>
  !isDrawing(file.format) && file.format !== "tiff" && (colour === null || colour.profile === "srgb");

/** The job as a picture in wide colours, which a soft proof then brings to the printer’s and back. */
const forSoftProof = (job: Job): Job => ({
  ...job,
  press: {
    ...job.press,
    file: { ...job.press.file, format: "png", depth: 8 },
    colour: { profile: "oprgb", intent: "relative", blackPoint: true },
  },
});

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

  async ask(jobId: string, { sheet, wide }: AskProof): Promise<Proof> {
    const own = this.jobs.job(jobId);
    const job = wide ? forSoftProof(own) : own;
    const sheets = this.tasks.sheets(job);
    const asked = sheets[sheet - 1];
    if (!asked) throw Problem.notFound("sheet", `There is no sheet ${sheet}; this job has ${sheets.length}.`);
    const plan = wide ? coarse(asked, SOFT_PROOF_SIDE) : asked;
    const { format } = job.press.file;
    const id = createHash("sha256")
      // How it is printed changes nothing of what is sent.
      .update(JSON.stringify([plan, job.name, { ...job.press, print: null }]))
      .digest("hex")
      .slice(0, 32);
    const known = this.proofs.get(id);
    if (known && (known.state === "painting" || known.state === "done")) return shown(known);
    const file = join(this.folder.proofs, id, `sheet.${ENDING[format]}`);
    const picture = isShown(job) || wide ? file : join(this.folder.proofs, id, PICTURE);
    const task = await this.tasks.task(job, [plan], {
      date: 0,
      files: [{ path: file, sheets: 1 }],
      picture: picture === file ? undefined : picture,
    });
    const painting = this.pool.paint(task, (progress) => (proof.progress = progress));
    const proof: KeptProof = {
      id,
      state: "painting",
      progress: null,
      format,
      sheet,
      bytes: null,
      coverage: null,
      pixels: plan.pixels,
      why: null,
      painting,
      picture,
    };
    this.keep(proof);
    return shown(proof);
  }

  /** How many bytes a sheet has at each of some JPEG qualities. */
  async sizes(jobId: string, sheet: number): Promise<JpegSizes> {
    const job = this.jobs.job(jobId);
    const plan = this.tasks.sheets(job)[sheet - 1];
    if (!plan) throw Problem.notFound("sheet", `There is no sheet ${sheet}.`);
    const task = await this.tasks.task(job, [plan], { date: 0, files: [], weigh: [...WEIGHED] });
    const { sizes } = await this.pool.paint(task).result;
    return { sizes: sizes.map((bytes, i) => ({ quality: WEIGHED[i]!, bytes })) };
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
      ({ files, coverage }) => {
        if (proof.state !== "painting") return;
        Object.assign(proof, { state: "done", bytes: files[0]!.bytes, coverage: coverage[0] ?? null });
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

const shown = ({ painting: _painting, picture: _picture, ...proof }: KeptProof): Proof => proof;
