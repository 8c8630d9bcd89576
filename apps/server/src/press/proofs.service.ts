import { rm } from "node:fs/promises";
import { join } from "node:path";
import { Inject, Injectable } from "@nestjs/common";
import { isDrawing, type Job } from "@wide-quilt/core";
import { Cancelled } from "@wide-quilt/painters";
import type { JpegSizes, Proof } from "../contract.ts";
import { DataFolder } from "../data/folder.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import { Ended } from "../processes/helper.ts";
import { Problem } from "../safety/problem.ts";
import { notPainted } from "./notPainted.ts";
import { PaintersService } from "./painters.service.ts";
import type { AskProof } from "./press.dto.ts";
import { ENDING, type PaintedPart } from "./task.ts";

interface KeptProof extends Proof {
  stop: AbortController;
  /** The picture to look at: the file itself where it is one. */
  picture: string;
}

/** Proofs kept for looking at again; the oldest goes first. */
const MOST_PROOFS = 24;
const PICTURE = "picture.jpg";
/** Qualities that a sheet is weighed at for the curve of size against quality. */
const WEIGHED = [30, 50, 65, 75, 82, 88, 92, 95, 98, 100] as const;

/** Whether a browser shows the file as it is. */
const isShown = ({ target: { file, colour } }: Job): boolean =>
  !isDrawing(file.format) && file.format !== "tiff" && (colour === null || colour.profile === "srgb");

/** The job as a picture in wide colours, which a soft proof then brings to the printer’s and back. */
const forSoftProof = (job: Job): Job => ({
  ...job,
  target: {
    ...job.target,
    file: { ...job.target.file, format: "png", depth: 8 },
    colour: { profile: "oprgb", intent: "relative", blackPoint: true },
  },
});

/** Paints single sheets for the Press view. The same question is painted once. */
@Injectable()
export class ProofsService {
  private readonly proofs = new Map<string, KeptProof>();

  constructor(
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(PaintersService) private readonly painters: PaintersService,
    @Inject(DataFolder) private readonly folder: DataFolder,
  ) {}

  async ask(jobId: string, { sheet, wide }: AskProof): Promise<Proof> {
    const own = this.jobs.job(jobId);
    const job = wide ? forSoftProof(own) : own;
    const { plan, pixels, id } = await this.painters.planLook(job, { sheet, wide });
    const { format } = job.target.file;
    const known = this.proofs.get(id);
    if (known && (known.state === "painting" || known.state === "done")) return shown(known);
    const path = join(this.folder.proofs, id, `sheet.${ENDING[format]}`);
    const picture = isShown(job) || wide ? path : join(this.folder.proofs, id, PICTURE);
    const proof: KeptProof = {
      id,
      state: "painting",
      progress: null,
      format,
      sheet,
      bytes: null,
      coverage: null,
      pixels,
      why: null,
      stop: new AbortController(),
      picture,
    };
    const painted = this.painters.look(
      job,
      { plan, path, picture: picture === path ? undefined : picture },
      { signal: proof.stop.signal, progress: (progress) => (proof.progress = progress) },
    );
    this.keep(proof, painted);
    return shown(proof);
  }

  /** How many bytes a sheet has at each of some JPEG qualities. */
  async sizes(jobId: string, sheet: number): Promise<JpegSizes> {
    const job = this.jobs.job(jobId);
    const { plan } = await this.painters.planLook(job, { sheet, wide: false });
    try {
      const sizes = await this.painters.weigh(job, { plan, qualities: [...WEIGHED] });
      return { sizes: sizes.map((bytes, i) => ({ quality: WEIGHED[i]!, bytes })) };
    } catch (error) {
      if (!(error instanceof Ended)) throw error;
      throw new Problem(422, "not-painted", "Not painted", failed(error));
    }
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
    proof.stop.abort();
  }

  private kept(id: string): KeptProof {
    const proof = this.proofs.get(id);
    if (!proof) throw Problem.notFound("proof", "This proof is not kept any more. Ask for it again.");
    return proof;
  }

  private keep(proof: KeptProof, painted: Promise<PaintedPart>): void {
    this.proofs.delete(proof.id);
    this.proofs.set(proof.id, proof);
    painted.then(
      ({ bytes, coverage }) => {
        if (proof.state !== "painting") return;
        Object.assign(proof, { state: "done", bytes, coverage: coverage[0] ?? null });
      },
      (error: unknown) => {
        if (error instanceof Cancelled) proof.state = "cancelled";
        else Object.assign(proof, { state: "failed", why: failed(error) });
      },
    );
    for (const old of [...this.proofs.values()].slice(0, -MOST_PROOFS)) {
      old.stop.abort();
      this.proofs.delete(old.id);
      void rm(join(this.folder.proofs, old.id), { recursive: true, force: true });
    }
  }
}

const failed = (error: unknown): string => {
  if (error instanceof Problem) return error.detail;
  return error instanceof Ended
    ? `The sheet could not be painted: painting it ${error.why}. The job is as it was; look at what is special about this sheet, a graphic, a font, a very large photo, and try again.`
    : notPainted(error);
};

const shown = ({ stop: _stop, picture: _picture, ...proof }: KeptProof): Proof => proof;
