import { readFile } from "node:fs/promises";
import { setTimeout as wait } from "node:timers/promises";
import { Inject, Injectable } from "@nestjs/common";
import {
  DOCUMENTS,
  documentFor,
  JobForgotten,
  PrinterAway,
  PrinterClient,
  PrinterFault,
  PrinterSilent,
  troubleOf,
  type DocumentKind,
  type JobReport,
  type PrinterCan,
  type RasterSpace,
  type Trouble,
} from "@wide-quilt/ipp";
import type { CutsApart, Press, PrintSetup, Size } from "@wide-quilt/core";
import { Cancelled, fileName } from "@wide-quilt/painters";
import { Ledger, type SheetRow } from "../press/ledger.ts";
import { PrinterAddresses } from "./addresses.ts";
import { templateOf } from "./template.ts";

/** A document on its way to a printer. */
export interface PrintAsked {
  /** The run that it belongs to, and its number there, from 0. */
  run: string;
  number: number;
  address: string;
  /** What the run is of, for the printer’s display. */
  title: string;
  path: string;
  kind: DocumentKind;
  /** The paper, upright. */
  paper: Size;
  setup: PrintSetup;
  /** Where its pages are cut apart. */
  apart: CutsApart;
  /** How far it was before. */
  sent: SheetRow["sent"];
  printerJob: number | null;
  /** Whether a sheet that the printer was seen to print, and then forgot, is taken to have come out. */
  trusts: boolean;
}

/** How the sender hears of a print, and stops it. */
export interface PrintWatch {
  /** Aborted when nobody follows any more. */
  signal: AbortSignal;
  /** Whether the print is then to be taken back from the printer, rather than left to go on. */
  isTakenBack(): boolean;
  /** Why the printer waits, in a sentence; null when it goes on. */
  waits(why: string | null): void;
  /** What is to be said of how it ended. */
  says(why: string): void;
}

/** Milliseconds between two looks at a job, and the most between two tries to reach a printer that is away. */
const LOOK = 400;
const MOST_WAIT = 15_000;
/** Milliseconds that taking a print back may take. */
const TAKING_BACK = 8_000;

/** Why a printer stands still, the worst first. With little ink or paper left it goes on. */
const STANDS_STILL: readonly [Trouble, string][] = [
  ["no paper", "The printer is out of paper. Put some in; it goes on by itself."],
  ["paper stuck", "Paper is stuck in the printer. Take it out; it goes on by itself."],
  ["no ink", "The printer is out of ink, or asks for a cartridge. It goes on by itself once it has it."],
  ["open", "The printer stands open. Close it; it goes on by itself."],
];

/**
 * Sends documents to printers by IPP and follows them until they are printed. What is sent is in the ledger before and
 * after, so that nothing is sent again that may have come out:
 *
 *     (nothing) ─▶ sending ─▶ sent ─▶ printed
 *         ▲            └────────┴──▶ unsure: a person is asked
 *         └─ the printer was not reached, refused, or gave up
 */
@Injectable()
export class PrintingService {
  constructor(
    @Inject(Ledger) private readonly ledger: Ledger,
    @Inject(PrinterAddresses) private readonly addresses: PrinterAddresses,
  ) {}

  /** What the printer at an address can do; with a watch it is waited for. */
  async can(address: string, watch?: PrintWatch): Promise<PrinterCan> {
    const client = new PrinterClient(this.addresses.checked(address), watch?.signal);
    if (!watch) return client.can();
    return reached(watch, () => client.can());
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

  /**
   * Prints one document, or follows it where it was sent before. “In doubt” where nobody but a person can say whether it
   * came out. Throws Cancelled and PrinterFault.
   */
  async print(asked: PrintAsked, can: PrinterCan, watch: PrintWatch): Promise<"printed" | "in doubt"> {
    const client = new PrinterClient(asked.address, watch.signal);
    const set = (values: Parameters<Ledger["setSheet"]>[2]) =>
      this.ledger.setSheet(asked.run, asked.number, values);
    try {
      const report = await this.sent(asked, can, client, watch, set);
      if (report === "in doubt" || (await this.follow(asked, report, can, client, watch)) === "in doubt") {
        set({ sent: "unsure" });
        return "in doubt";
      }
      set({ sent: "printed" });
      return "printed";
    } catch (error) {
      if (watch.signal.aborted) {
        if (watch.isTakenBack()) await this.takeBack(asked, watch, set);
        throw new Cancelled();
      }
      // Refused or given up: it did not come out, and may be sent again.
      if (error instanceof PrinterFault) set({ sent: null, printerJob: null });
      throw error;
    }
  }

  /** Sends a document where it was not sent yet; otherwise finds it at the printer. */
  private async sent(
    asked: PrintAsked,
    can: PrinterCan,
    client: PrinterClient,
    watch: PrintWatch,
    set: (values: Parameters<Ledger["setSheet"]>[2]) => void,
  ): Promise<JobReport | "in doubt"> {
    const name = nameOf(asked);
    let mayBeThere = asked.sent === "sending" || asked.sent === "sent" || asked.sent === "unsure";
    for (;;) {
      if (mayBeThere) {
        const found = await reached(watch, () => atPrinter(client, name, asked.printerJob));
        if (found && !CAME_TO_NOTHING.has(found.state)) {
          set({ sent: "sent", printerJob: found.id });
          return found;
        }
        // A printer that knows of what it printed, and not of this, never had it.
        if (!found && !(asked.sent !== "sent" && (await reached(watch, () => client.keepsHistory()))))
          return "in doubt";
      }
      const template = templateOf(can, asked.paper, asked.setup, asked.apart);
      const document = await readFile(asked.path);
      set({ sent: "sending", printerJob: null });
      try {
        const report = await client.print(document, DOCUMENTS[asked.kind], name, template);
        set({ sent: "sent", printerJob: report.id });
        return report;
      } catch (error) {
        if (error instanceof PrinterAway) {
          set({ sent: null });
          mayBeThere = false;
          await away(watch, error);
        } else if (error instanceof PrinterSilent) mayBeThere = true;
        else throw error;
      }
    }
  }

  /** Follows a document until the printer is done with it. */
  private async follow(
    asked: PrintAsked,
    sent: JobReport,
    can: PrinterCan,
    client: PrinterClient,
    watch: PrintWatch,
  ): Promise<"printed" | "in doubt"> {
    let report = sent;
    for (;;) {
      if (report.state === "done") break;
      if (report.state === "cancelled") throw new PrinterFault("The print was cancelled at the printer.");
      if (report.state === "failed") throw failed(can, report);
      const { state } = report;
      if (state !== "printing") watch.waits(await reached(watch, () => this.whyOf(client, report)));
      else watch.waits(null);
      await wait(LOOK, undefined, { signal: watch.signal });
      const next = await reached(watch, () =>
        client.job(report.id).catch((error: unknown) => {
          if (error instanceof JobForgotten) return null;
          throw error;
        }),
      );
      if (!next) {
        // It forgets what it has printed. What was seen being printed is out if a person said so of one before.
        if (state === "printing" && asked.trusts) break;
        const named = await reached(watch, () => client.jobNamed(nameOf(asked)));
        if (!named) return "in doubt";
        report = named;
      } else report = next;
    }
    watch.waits(null);
    return "printed";
  }

  /** Takes a document back from the printer; what cannot be taken back any more is said. */
  private async takeBack(
    asked: PrintAsked,
    watch: PrintWatch,
    set: (values: Parameters<Ledger["setSheet"]>[2]) => void,
  ): Promise<void> {
    const sheet = this.ledger.sheets(asked.run).find(({ number }) => number === asked.number);
    if (!sheet?.sent || sheet.sent === "printed") return;
    const client = new PrinterClient(asked.address, AbortSignal.timeout(TAKING_BACK));
    try {
      const found = await atPrinter(client, nameOf(asked), sheet.printerJob);
      if (found && !OVER.has(found.state)) await client.cancel(found.id).catch(() => undefined);
      const now = found && (await client.job(found.id));
      if (now?.state === "done") set({ sent: "printed" });
      else if (now && CAME_TO_NOTHING.has(now.state)) set({ sent: null, printerJob: null });
      else throw new PrinterFault("It is not known there.");
    } catch {
      watch.says(
        `The printer could not be told. Sheet ${asked.number + 1} may still come out; nothing more is sent.`,
      );
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

const CAME_TO_NOTHING: ReadonlySet<JobReport["state"]> = new Set(["cancelled", "failed"]);
const OVER: ReadonlySet<JobReport["state"]> = new Set(["cancelled", "failed", "done"]);

/** What a document is called at the printer; by this name it is found again, so that nothing is printed twice. */
const nameOf = ({ title, run, number }: PrintAsked): string => `${fileName(title)} · ${run} · ${number + 1}`;

/** A document that was sent, by its number there or by its name; null where the printer knows of none. */
async function atPrinter(client: PrinterClient, name: string, id: number | null): Promise<JobReport | null> {
  if (id === null) return client.jobNamed(name);
  return client.job(id).catch((error: unknown) => {
    if (error instanceof JobForgotten) return client.jobNamed(name);
    throw error;
  });
}

/** Asks until the printer answers: one that was switched off or is busy for a while does not end a print. */
async function reached<T>(watch: PrintWatch, ask: () => Promise<T>): Promise<T> {
  let since: Date | null = null;
  for (let tries = 0; ; tries++) {
    try {
      const answer = await ask();
      if (since) watch.waits(null);
      return answer;
    } catch (error) {
      if (watch.signal.aborted || !(error instanceof PrinterAway || error instanceof PrinterSilent))
        throw error;
      since ??= new Date();
      await away(watch, error, since, tries);
    }
  }
}

/** Waits for a printer that is away, longer each time, and says since when. */
async function away(watch: PrintWatch, fault: PrinterFault, since = new Date(), tries = 0): Promise<void> {
  const time = `${String(since.getHours()).padStart(2, "0")}:${String(since.getMinutes()).padStart(2, "0")}`;
  watch.waits(`Not reached since ${time}. ${fault.message} It goes on by itself.`);
  await wait(Math.min(MOST_WAIT, 500 * 2 ** tries), undefined, { signal: watch.signal });
}

const failed = ({ name }: PrinterCan, { reasons }: JobReport): PrinterFault =>
  new PrinterFault(
    `${name} gave up on this print${reasons.length > 0 ? ` (${reasons.join(", ")})` : ""}. Nothing more was sent; try again.`,
  );
