import { execFileSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { freshJob, type FileSetup, type Job, type JobEdit, type Press } from "@wide-quilt/core";
import type { JobView, ProblemBody, Run, RunNaming, TakenIn, TakenPhoto } from "../src/contract.ts";
import { Server } from "../testing/server.ts";

export const testFolder = (): string => mkdtempSync(join(tmpdir(), "wide-quilt-server-"));

/** What a caller gets: the status and the body, read. */
export interface Answer<T> {
  status: number;
  body: T;
}

/** Speaks to a server as its pages do. */
export class Client {
  constructor(
    readonly server: Server,
    /** The name of this window. */
    readonly window = `window-${crypto.randomUUID()}`,
  ) {}

  async ask<T>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer<T>> {
    const form = body instanceof FormData;
    const bytes = Buffer.isBuffer(body);
    const type = { "Content-Type": bytes ? "application/octet-stream" : "application/json" };
    const response = await fetch(`${this.server.address}/api${path}`, {
      method,
      headers: form || body === undefined ? headers : { ...type, ...headers },
      body: form
        ? body
        : bytes
          ? new Uint8Array(body)
          : body === undefined
            ? undefined
            : JSON.stringify(body),
    });
    const text = await response.text();
    return { status: response.status, body: (text === "" ? undefined : JSON.parse(text)) as T };
  }

  /** Sends photo files, one after the other as pages do, and says what became of them all. */
  async upload(...files: { name: string; data: Buffer }[]) {
    const photos: TakenPhoto[] = [];
    const refused: { name: string; why: string }[] = [];
    let status = 0;
    for (const { name, data } of files) {
      const answer = await this.ask<TakenIn>("POST", `/photos?name=${encodeURIComponent(name)}`, data);
      status = Math.max(status, answer.status);
      if ("photo" in answer.body) photos.push(answer.body.photo);
      else refused.push(answer.body.refused);
    }
    return { status, body: { photos, refused } };
  }

  async importJob(job: Partial<Job> = {}): Promise<JobView> {
    return (await this.ask<JobView>("POST", "/jobs/import", { ...freshJob("copies", "Badges"), ...job }))
      .body;
  }

  /** Changes a job, and gives back what it is then. */
  async edit(
    job: string,
    version: number,
    edit: JobEdit,
    gesture?: string,
    id: string = crypto.randomUUID(),
  ): Promise<Answer<JobView & ProblemBody>> {
    return this.then(job, "edits", { version, edits: [{ id, gesture, edit }] });
  }

  /** Takes a step back or makes it again, and gives back what the job is then. */
  walk(job: string, way: "undo" | "redo"): Promise<Answer<JobView & ProblemBody>> {
    return this.then(job, way, {});
  }

  private async then(job: string, act: string, asked: object): Promise<Answer<JobView & ProblemBody>> {
    const answer = await this.ask<ProblemBody>("POST", `/jobs/${job}/${act}`, {
      client: this.window,
      ...asked,
    });
    if (answer.status !== 200) return answer as Answer<JobView & ProblemBody>;
    return this.ask("GET", `/jobs/${job}?client=${this.window}`);
  }

  /** Changes how a job is written. */
  async press(job: string, change: Partial<Press>): Promise<JobView> {
    const { body } = await this.ask<JobView>("GET", `/jobs/${job}`);
    return (await this.edit(job, body.version, { do: "target", change })).body;
  }

  /** Starts a run of a job, as such a file where something is said of it. */
  async startRun(
    job: string,
    { file, ...naming }: { file?: Partial<FileSetup> } & Partial<RunNaming> = {},
  ): Promise<Answer<Run & ProblemBody>> {
    if (file) {
      const { body } = await this.ask<JobView>("GET", `/jobs/${job}`);
      await this.press(job, { file: { ...body.job.target.file, ...file } });
    }
    return this.ask("POST", `/jobs/${job}/runs`, naming);
  }

  /** Waits until a run has come to its end. */
  async ended(id: string): Promise<Run> {
    for (;;) {
      const { body } = await this.ask<Run>("GET", `/runs/${id}`);
      if (body.state !== "painting" && body.state !== "waiting") return body;
      await new Promise((go) => setTimeout(go, 30));
    }
  }
}

/** Whether a small file system can be made here, which takes rights that not every machine gives. */
export function canMount(): boolean {
  const at = testFolder();
  try {
    execFileSync("mount", ["-t", "tmpfs", "-o", "size=64k", "tmpfs", at], { stdio: "ignore" });
    execFileSync("umount", [at]);
    return true;
  } catch {
    return false;
  }
}
