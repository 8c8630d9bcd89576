import { readFile } from "node:fs/promises";
import { setTimeout as wait } from "node:timers/promises";
import { Injectable } from "@nestjs/common";
import {
  DOCUMENTS,
  documentFor,
  PrinterClient,
  PrinterFault,
  troubleOf,
  type DocumentKind,
  type JobReport,
  type PrinterCan,
  type RasterSpace,
  type Trouble,
} from "@wide-quilt/ipp";
import type { Press, PrintSetup, Size } from "@wide-quilt/core";
import { Cancelled } from "@wide-quilt/painters";
import { templateOf } from "./template.ts";

/** A document on its way to a printer. */
export interface PrintAsked {
  address: string;
  /** What it is called there; by this name it is found again, so that nothing is printed twice. */
  name: string;
  path: string;
  kind: DocumentKind;
  /** The paper, upright. */
  paper: Size;
  setup: PrintSetup;
}

/** How the sender hears of a print, and stops it. */
export interface PrintWatch {
  /** Whether the print is not wanted any more, and is to be taken back from the printer. */
  cancelled(): boolean;
  /** Whether nobody follows it any more, and the printer is to go on by itself. */
  leaves(): boolean;
  /** Why the printer waits, in a sentence; null when it goes on. */
  waits(why: string | null): void;
}

/** Milliseconds between two looks at a job. */
const LOOK = 400;
const CAME_TO_NOTHING: ReadonlySet<JobReport["state"]> = new Set(["cancelled", "failed"]);

/** Why a printer stands still, the worst first. With little ink or paper left it goes on. */
const STANDS_STILL: readonly [Trouble, string][] = [
  ["no paper", "The printer is out of paper. Put some in; it goes on by itself."],
  ["paper stuck", "Paper is stuck in the printer. Take it out; it goes on by itself."],
  ["no ink", "The printer is out of ink, or asks for a cartridge. It goes on by itself once it has it."],
  ["open", "The printer stands open. Close it; it goes on by itself."],
];

/** Sends documents to printers by IPP and follows them until they are printed. */
@Injectable()
export class PrintingService {
  can(address: string): Promise<PrinterCan> {
    return new PrinterClient(address).can();
  }

  /** What a printer is sent: what the job is written as where it takes that. Throws PrinterFault. */
  kindFor(can: PrinterCan, { file }: Press): DocumentKind {
    const kind = documentFor(can, file.format);
    if (kind) return kind;
    throw new PrinterFault(
      `${can.name} takes ${can.formats.join(", ")}, and neither JPEG nor PDF nor PWG raster. Write files and print them by another way.`,
    );
  }

  /** What the pixels of a job mean in raster for a printer. Throws PrinterFault. */
  rasterFor({ name, raster }: PrinterCan, { colour }: Press): RasterSpace {
    const isOwn = colour !== null && colour.profile !== "srgb";
    const space = isOwn
      ? raster.find((one) => one === "rgb_8")
      : (raster.find((one) => one === "srgb_8") ?? raster[0]);
    if (space) return space;
    throw new PrinterFault(
      `${name} takes pixels in sRGB alone, and this job is written for another profile. Choose sRGB, or no colour management, under Colour.`,
    );
  }

  /** Prints one document, or follows it where it was sent before. Throws Cancelled and PrinterFault. */
  async print(asked: PrintAsked, can: PrinterCan, watch: PrintWatch): Promise<void> {
    const client = new PrinterClient(asked.address);
    const before = await client.jobNamed(asked.name);
    // One that came to nothing there is sent anew.
    let report =
      before && !CAME_TO_NOTHING.has(before.state)
        ? before
        : await client.print(
            await readFile(asked.path),
            DOCUMENTS[asked.kind],
            asked.name,
            templateOf(can, asked.paper, asked.setup),
          );
    for (;;) {
      if (report.state === "done") return watch.waits(null);
      if (report.state === "cancelled") throw new PrinterFault("The print was cancelled at the printer.");
      if (report.state === "failed") throw failed(can, report);
      if (watch.leaves()) throw new Cancelled();
      if (watch.cancelled()) {
        await client.cancel(report.id).catch(() => undefined);
        throw new Cancelled();
      }
      watch.waits(report.state === "printing" ? null : await this.whyOf(client, report));
      await wait(LOOK);
      report = await client.job(report.id);
    }
  }

  /** Why a job does not go on; null for one that only waits for its turn. */
  private async whyOf(client: PrinterClient, { state, reasons }: JobReport): Promise<string | null> {
    const all = [...reasons, ...(await client.reasons())].map(troubleOf);
    const still = STANDS_STILL.find(([trouble]) => all.includes(trouble));
    if (still) return still[1];
    return state === "stopped"
      ? "The printer stands still. Look at its display; it goes on by itself."
      : null;
  }
}

const failed = ({ name }: PrinterCan, { reasons }: JobReport): PrinterFault =>
  new PrinterFault(
    `${name} gave up on this print${reasons.length > 0 ? ` (${reasons.join(", ")})` : ""}. Nothing more was sent; try again.`,
  );
