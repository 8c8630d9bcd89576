import { readFile } from "node:fs/promises";
import { setTimeout as wait } from "node:timers/promises";
import { Injectable } from "@nestjs/common";
import {
  collection,
  enumerated,
  integer,
  PrinterClient,
  PrinterFault,
  type Attributes,
  type JobReport,
  type PrinterCan,
} from "@wide-quilt/ipp";
import type { Format, Size } from "@wide-quilt/core";
import { Cancelled } from "@wide-quilt/painters";

/** A document on its way to a printer. */
export interface PrintAsked {
  address: string;
  /** What it is called there; by this name it is found again, so that nothing is printed twice. */
  name: string;
  path: string;
  format: Format;
  /** The paper, upright. */
  paper: Size;
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
/** Sizes of paper that differ by less are the same, in hundredths of a millimetre. */
const SAME_PAPER = 60;
const HIGH_QUALITY = 5;
const CAME_TO_NOTHING: ReadonlySet<JobReport["state"]> = new Set(["cancelled", "failed"]);

const TYPES: Partial<Record<Format, string>> = { jpeg: "image/jpeg", pdf: "application/pdf" };

/** Why a printer stands still, in words (keywords of PWG 5100.9 and RFC 8011, 5.4.12). */
const REASONS: [RegExp, string][] = [
  [/media-(empty|needed)/, "The printer is out of paper. Put some in; it goes on by itself."],
  [/media-jam/, "Paper is stuck in the printer. Take it out; it goes on by itself."],
  [
    /(marker|toner|ink)/,
    "The printer is out of ink, or asks for a cartridge. It goes on by itself once it has it.",
  ],
  [/(cover|door|interlock)-open/, "The printer stands open. Close it; it goes on by itself."],
];

/** Sends documents to printers by IPP and follows them until they are printed. */
@Injectable()
export class PrintingService {
  can(address: string): Promise<PrinterCan> {
    return new PrinterClient(address).can();
  }

  /** The format that a printer is sent: the one asked for where it takes it. Throws PrinterFault. */
  formatFor({ name, formats }: PrinterCan, asked: Format): Format {
    const takes = (format: Format) => formats.includes(TYPES[format] ?? "");
    const format = [asked, "pdf" as const, "jpeg" as const].find(takes);
    if (format) return format;
    throw new PrinterFault(
      `${name} takes ${formats.join(", ")}, and neither JPEG nor PDF. Write files and print them by another way.`,
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
            TYPES[asked.format]!,
            asked.name,
            templateOf(can, asked.paper),
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
    const all = [...reasons, ...(await client.reasons())];
    for (const [known, sentence] of REASONS) if (all.some((reason) => known.test(reason))) return sentence;
    return state === "stopped"
      ? "The printer stands still. Look at its display; it goes on by itself."
      : null;
  }
}

const failed = ({ name }: PrinterCan, { reasons }: JobReport): PrinterFault =>
  new PrinterFault(
    `${name} gave up on this print${reasons.length > 0 ? ` (${reasons.join(", ")})` : ""}. Nothing more was sent; try again.`,
  );

/** What a job asks for beside its document: its paper, without any scaling of the printer's own, and its best quality. */
function templateOf({ name, media }: PrinterCan, paper: Size): Attributes {
  const [width, height] = [Math.round(paper.width / 10), Math.round(paper.height / 10)];
  const near = (a: number, b: number) => Math.abs(a - b) <= SAME_PAPER;
  const own = media.find((one) => near(one.width, width) && near(one.height, height));
  if (!own && media.length > 0) {
    const papers = [...new Set(media.map((one) => `${one.width / 100} × ${one.height / 100} mm`))];
    throw new PrinterFault(
      `${name} has no paper of ${width / 100} × ${height / 100} mm. It has ${papers.slice(0, 6).join(", ")}. Choose one of these in the ticket.`,
    );
  }
  const size = {
    "x-dimension": [integer(own?.width ?? width)],
    "y-dimension": [integer(own?.height ?? height)],
  };
  return {
    copies: [integer(1)],
    "media-col": [collection({ "media-size": [collection(size)] })],
    "print-quality": [enumerated(HIGH_QUALITY)],
  };
}
