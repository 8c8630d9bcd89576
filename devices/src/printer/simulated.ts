import { mkdirSync, writeFileSync } from "node:fs";
import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import { join } from "node:path";
import { JOB_STATES } from "@wide-quilt/ipp";
import type { PrintJob } from "./attributes.ts";
import type { Media, Model } from "./models.ts";
import { answer, type Machine } from "./operations.ts";
import { servePage } from "./page.ts";
import { pagesOf, type PagePicture } from "./document.ts";
import { printPage } from "./paper.ts";

/** The most that one document may have. */
const MOST_BYTES = 512 * 1024 ** 2;

/**
 * What can be the matter with the line to it: broken off before it has heard anything, after it has done what was asked,
 * or in the middle of its answer; an answer that comes a byte at a time; or it says that it is busy.
 */
export type Fault = "cut before" | "cut after" | "half an answer" | "drips" | "busy";

/** Milliseconds between two bytes of an answer that drips. */
const DRIP = 1000;

export interface PrinterOptions {
  /** Where what it printed is kept, as pictures. */
  folder: string;
  port?: number;
  /** Milliseconds that a sheet takes. */
  pace?: number;
}

/**
 * A printer that is none: it speaks IPP over HTTP on loopback, prints one job after the other, keeps every print as a
 * picture, and can be told to run out of paper.
 */
export class SimulatedPrinter implements Machine {
  readonly jobs: PrintJob[] = [];
  readonly prints: string[] = [];
  /** The name of the job of each print. */
  readonly names: string[] = [];
  /** What is the matter with the line; asked anew at each message. */
  fault: (() => Fault | null) | null = null;
  /** Whether it knows nothing of jobs any more once they are over, as RFC 8011 (5.3.7.3) leaves it to printers. */
  forgets = false;
  private readonly documents = new Map<number, Buffer>();
  private readonly switchedOn = Date.now();
  private sheets = Infinity;
  private working = false;
  private last = 0;
  private server: Server | null = null;
  private port = 0;

  constructor(
    readonly model: Model,
    private readonly options: PrinterOptions,
  ) {
    mkdirSync(options.folder, { recursive: true });
  }

  get address(): string {
    return `ipp://localhost:${this.port}/ipp/print`;
  }

  get hasPaper(): boolean {
    return this.sheets > 0;
  }

  upTime = (): number => Math.floor((Date.now() - this.switchedOn) / 1000) + 1;

  /** How many sheets are left in its tray; with more it goes on with what it had stopped at. */
  putPaper(sheets: number): void {
    this.sheets = sheets;
    void this.work();
  }

  async start(): Promise<this> {
    this.server = createServer((request, response) => void this.serve(request, response));
    await new Promise<void>((resolve) =>
      this.server!.listen(this.options.port ?? this.port, "127.0.0.1", resolve),
    );
    this.port = (this.server.address() as { port: number }).port;
    return this;
  }

  async stop(): Promise<void> {
    this.server?.closeAllConnections();
    await new Promise((resolve) => (this.server ? this.server.close(resolve) : resolve(null)));
  }

  add(job: Omit<PrintJob, "id" | "createdAt">): PrintJob {
    const added = { ...job, id: ++this.last, createdAt: this.upTime() };
    this.jobs.push(added);
    return added;
  }

  /** Takes a job's document in and prints it when its turn comes. */
  submit(job: PrintJob, document: Buffer): void {
    this.documents.set(job.id, document);
    job.kilobytes = Math.ceil(document.length / 1024);
    job.state = JOB_STATES.pending;
    job.reasons = [];
    void this.work();
  }

  mediaNamed(name: string | undefined): Media | undefined {
    return name === undefined ? this.model.media[0] : this.model.media.find((one) => one.name === name);
  }

  private async serve(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const fault = this.fault?.() ?? null;
    if (fault === "cut before") return void request.socket.destroy();
    if (fault === "busy") return void response.writeHead(503).end();
    const parts: Buffer[] = [];
    let length = 0;
    for await (const part of request as AsyncIterable<Buffer>) {
      length += part.length;
      if (length > MOST_BYTES) return void response.writeHead(413).end();
      parts.push(part);
    }
    if (request.method !== "POST" || request.headers["content-type"] !== "application/ipp") {
      return servePage(this, request, response);
    }
    const body = answer(this, Buffer.concat(parts));
    if (fault === "cut after") return void request.socket.destroy();
    response.writeHead(200, { "Content-Type": "application/ipp", "Content-Length": body.length });
    if (fault === "half an answer") {
      response.write(body.subarray(0, body.length / 2), () => request.socket.destroy());
    } else if (fault === "drips") {
      let at = 0;
      const drop = setInterval(
        () => (at < body.length ? response.write(body.subarray(at, ++at)) : response.end()),
        DRIP,
      );
      response.on("close", () => clearInterval(drop));
    } else response.end(body);
  }

  /** Prints waiting jobs one after the other, as long as there is paper. */
  private async work(): Promise<void> {
    if (this.working) return;
    this.working = true;
    try {
      for (let job = this.next(); job; job = this.next()) await this.print(job);
    } finally {
      this.working = false;
    }
  }

  private next = (): PrintJob | undefined =>
    this.jobs.find(
      ({ id, state }) =>
        this.documents.has(id) &&
        this.hasPaper &&
        (state === JOB_STATES.pending || state === JOB_STATES.stopped),
    );

  private async print(job: PrintJob): Promise<void> {
    job.state = JOB_STATES.processing;
    job.reasons = ["job-printing"];
    job.startedAt ??= this.upTime();
    try {
      const pages = await pagesOf(this.documents.get(job.id)!, job.format, this.model.ppi);
      const sheets = Array.from({ length: job.copies }, () => pages).flat();
      // A sheet that came out does not come out again when there is paper once more.
      for (const [i, page] of sheets.entries()) {
        if (i < job.printed) continue;
        await new Promise((resolve) => setTimeout(resolve, this.options.pace ?? 5));
        if (job.state !== JOB_STATES.processing) return;
        if (!this.hasPaper) {
          job.state = JOB_STATES.stopped;
          job.reasons = ["printer-stopped"];
          return;
        }
        this.sheets--;
        await this.keep(job, page);
      }
      job.state = JOB_STATES.completed;
      job.reasons = ["job-completed-successfully"];
    } catch {
      job.state = JOB_STATES.aborted;
      job.reasons = ["document-format-error"];
    }
    job.endedAt = this.upTime();
    this.documents.delete(job.id);
    if (this.forgets) this.jobs.splice(this.jobs.indexOf(job), 1);
  }

  private async keep(job: PrintJob, page: PagePicture): Promise<void> {
    job.printed++;
    this.names.push(job.name);
    const base = `${String(job.id).padStart(4, "0")}-${job.printed}`;
    const pieces = await printPage(page, job, this.model);
    for (const [i, data] of pieces.entries()) {
      const name = pieces.length === 1 ? `${base}.png` : `${base}-${i + 1}.png`;
      const path = join(this.options.folder, name);
      writeFileSync(path, data);
      this.prints.push(path);
    }
  }
}
