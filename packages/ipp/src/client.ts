import { request } from "node:http";
import { canOf, reasonsIn, type PrinterCan } from "./can.ts";
import { decode } from "./decode.ts";
import { encode } from "./encode.ts";
import {
  first,
  integer,
  JOB_STATES,
  keyword,
  LANGUAGE,
  mimeType,
  name,
  number,
  OPERATIONS,
  STATUS,
  uri,
  type Attributes,
  type GroupName,
  type Message,
} from "./message.ts";

/** Something that a printer refused or did not answer, with a sentence for a person. */
export class PrinterFault extends Error {
  override name = "PrinterFault";
}

/** A printer could not be reached, or was busy: what was asked was not done, and may be asked again later. */
export class PrinterAway extends PrinterFault {
  override name = "PrinterAway";
}

/** The line broke after a printer was asked and before it answered: it may have done what was asked. */
export class PrinterSilent extends PrinterFault {
  override name = "PrinterSilent";
}

/** A printer does not know a job any more. */
export class JobForgotten extends PrinterFault {
  override name = "JobForgotten";
}

/** How far a job is. */
export interface JobReport {
  id: number;
  state: "waiting" | "printing" | "stopped" | "cancelled" | "failed" | "done";
  reasons: string[];
}

const STATES: Record<number, JobReport["state"]> = {
  [JOB_STATES.pending]: "waiting",
  [JOB_STATES.held]: "waiting",
  [JOB_STATES.processing]: "printing",
  [JOB_STATES.stopped]: "stopped",
  [JOB_STATES.canceled]: "cancelled",
  [JOB_STATES.aborted]: "failed",
  [JOB_STATES.completed]: "done",
};

/** A printer that says nothing for so long is given up, and one whose whole answer takes longer, in milliseconds. */
const SILENCE = 20_000;
const ANSWER = 30_000;
/** Bytes a second that a document is taken in with at least; a slower printer is given up. */
const SLOWEST = 20_000;
/** The most that is read of an answer. */
const MOST_BYTES = 4 * 1024 ** 2;

/** Speaks to one printer. Every call throws a PrinterFault with a sentence when it is not answered as it should be. */
export class PrinterClient {
  private requestId = 0;

  constructor(
    private readonly address: string,
    /** Breaks off whatever is being asked. */
    private readonly signal?: AbortSignal,
    private readonly user = "wide-quilt",
  ) {}

  /** What it can do (Get-Printer-Attributes, RFC 8011, 4.2.5). */
  async can(): Promise<PrinterCan> {
    return canOf(await this.printer("all", "media-col-database"));
  }

  /** Why it does not print just now; empty when nothing is the matter. */
  async reasons(): Promise<string[]> {
    return reasonsIn((await this.printer("printer-state-reasons"))["printer-state-reasons"]);
  }

  /** Sends a document to be printed (Print-Job, RFC 8011, 4.2.1) and gives back its number there. */
  async print(
    document: Buffer,
    format: string,
    jobName: string,
    template: Attributes = {},
  ): Promise<JobReport> {
    const about = { "job-name": [name(jobName)], "document-format": [mimeType(format)] };
    const answer = await this.ask(OPERATIONS.printJob, about, template, document);
    return reportOf(attributesOf(answer, "job"));
  }

  /** How far a job is (Get-Job-Attributes, RFC 8011, 4.3.4). */
  async job(id: number): Promise<JobReport> {
    const answer = await this.ask(OPERATIONS.getJobAttributes, { "job-id": [integer(id)] });
    return reportOf(attributesOf(answer, "job"));
  }

  /** The job of a name, printed or not; null where the printer knows of none. Nothing is sent twice that way. */
  async jobNamed(jobName: string): Promise<JobReport | null> {
    for (const which of ["not-completed", "completed"]) {
      const answer = await this.ask(OPERATIONS.getJobs, {
        "which-jobs": [keyword(which)],
        "requested-attributes": ["job-id", "job-name", "job-state", "job-state-reasons"].map(keyword),
      });
      const own = answer.groups.find(
        ({ of, attributes }) => of === "job" && first(attributes["job-name"]) === jobName,
      );
      if (own) return reportOf(own.attributes);
    }
    return null;
  }

  /** Whether it still knows of jobs that it has printed (RFC 8011, 5.3.7.3, leaves that to printers). */
  async keepsHistory(): Promise<boolean> {
    const answer = await this.ask(OPERATIONS.getJobs, {
      "which-jobs": [keyword("completed")],
      "requested-attributes": [keyword("job-id")],
    });
    return answer.groups.some(({ of }) => of === "job");
  }

  async cancel(id: number): Promise<void> {
    await this.ask(OPERATIONS.cancelJob, { "job-id": [integer(id)] });
  }

  private async printer(...wanted: string[]): Promise<Attributes> {
    const answer = await this.ask(OPERATIONS.getPrinterAttributes, {
      "requested-attributes": wanted.map(keyword),
    });
    return attributesOf(answer, "printer");
  }

  private async ask(
    operation: number,
    about: Attributes,
    template: Attributes = {},
    document: Buffer = Buffer.alloc(0),
  ): Promise<Message> {
    const head: Attributes = {
      ...LANGUAGE,
      "printer-uri": [uri(this.address)],
      // A job is known by its number, which follows the printer at once (RFC 8011, 4.1.5).
      ...(about["job-id"] && { "job-id": about["job-id"] }),
      "requesting-user-name": [name(this.user)],
      ...about,
    };
    const message: Message = {
      version: [2, 0],
      code: operation,
      requestId: ++this.requestId,
      groups: [
        { of: "operation", attributes: head },
        ...(Object.keys(template).length > 0 ? [{ of: "job" as const, attributes: template }] : []),
      ],
    };
    const answer = decodeAnswer(await this.post(Buffer.concat([encode(message), document])));
    if (answer.code > 0xff) throw refused(answer);
    return answer;
  }

  private post(body: Buffer): Promise<Buffer> {
    const { protocol, hostname, port, pathname } = new URL(this.address.replace(/^ipp/, "http"));
    if (protocol !== "http:") {
      throw new PrinterFault(`${this.address} asks for an encrypted connection, which is not supported yet.`);
    }
    const deadline = ANSWER + (body.length / SLOWEST) * 1000;
    return new Promise((resolve, reject) => {
      let isSent = false;
      const settle = (act: () => void) => {
        clearTimeout(timer);
        act();
      };
      const fail = (fault: PrinterFault) => settle(() => reject(fault));
      const asking = request(
        {
          hostname: hostname.replace(/^\[|\]$/g, ""),
          port: port === "" ? 631 : Number(port),
          path: pathname,
          method: "POST",
          headers: { "Content-Type": "application/ipp", "Content-Length": body.length },
          timeout: SILENCE,
          signal: this.signal,
          // A line of its own: one that was kept may be dead, and then nobody knows what the printer heard.
          agent: false,
        },
        (response) => {
          const parts: Buffer[] = [];
          let length = 0;
          response.on("data", (part: Buffer) => {
            length += part.length;
            if (length > MOST_BYTES) asking.destroy(new Error("its answer does not end"));
            parts.push(part);
          });
          response.on("end", () => {
            const status = response.statusCode ?? 0;
            if (status === 200) return settle(() => resolve(Buffer.concat(parts)));
            const isBusy = status === 503 || status === 429;
            const why = `The printer at ${this.address} answered with HTTP ${status}.`;
            fail(
              isBusy
                ? new PrinterAway(`${why} It is busy.`)
                : new PrinterFault(`${why} Is the address right?`),
            );
          });
          response.on("error", (error) =>
            fail(new PrinterSilent(`The printer went away in the middle: ${error.message}.`)),
          );
        },
      );
      const timer = setTimeout(() => asking.destroy(new Error("it did not answer in time")), deadline);
      asking.on("socket", (socket) => socket.once("connect", () => (isSent = true)));
      asking.on("timeout", () => asking.destroy(new Error("it did not answer in time")));
      asking.on("error", (error: NodeJS.ErrnoException) => {
        if (this.signal?.aborted) return settle(() => reject(error));
        const Kind = isSent ? PrinterSilent : PrinterAway;
        fail(
          new Kind(
            `The printer at ${this.address} cannot be reached: ${UNREACHED[error.code ?? ""] ?? error.message}. Is it switched on and in the same network?`,
          ),
        );
      });
      asking.end(body);
    });
  }
}

/** Why nothing answers, in words. */
const UNREACHED: Record<string, string> = {
  ECONNREFUSED: "nothing listens there",
  ECONNRESET: "it broke off",
  ENOTFOUND: "no machine of this name is known",
  EHOSTUNREACH: "the machine does not answer",
  ENETUNREACH: "there is no network to it",
  ETIMEDOUT: "it did not answer in time",
};

function decodeAnswer(bytes: Buffer): Message {
  try {
    return decode(bytes).message;
  } catch {
    throw new PrinterFault("What answered there is no printer, or speaks no IPP.");
  }
}

const SENTENCES: Record<number, string> = {
  [STATUS.formatNotSupported]: "The printer does not take files of this kind.",
  [STATUS.attributesNotSupported]:
    "The printer cannot do what the job asks for: another paper or quality is needed.",
  [STATUS.notFound]: "The printer does not know this job any more.",
  [STATUS.notPossible]: "The printer cannot do that with this job any more.",
  [STATUS.operationNotSupported]: "The printer cannot do that.",
};

/** Answers that mean “later”: server-error-service-unavailable, -temporary-error, -not-accepting-jobs, -busy (RFC 8011, B.1.5). */
const LATER: ReadonlySet<number> = new Set([0x0502, 0x0505, 0x0506, 0x0507]);

function refused(answer: Message): PrinterFault {
  const { code } = answer;
  if (code === STATUS.notFound) return new JobForgotten(SENTENCES[code]!);
  const said = first(attributesOf(answer, "operation")["status-message"]);
  const why = SENTENCES[code] ?? "The printer refused.";
  const Kind = LATER.has(code) ? PrinterAway : PrinterFault;
  return new Kind(said === undefined ? `${why} (status ${code.toString(16)})` : `${why} It says: ${said}.`);
}

/** The attributes of an answer’s first group of a kind. */
const attributesOf = ({ groups }: Message, of: GroupName): Attributes =>
  groups.find((group) => group.of === of)?.attributes ?? {};

function reportOf(attributes: Attributes): JobReport {
  return {
    id: number(attributes["job-id"]),
    state: STATES[number(attributes["job-state"])] ?? "waiting",
    reasons: reasonsIn(attributes["job-state-reasons"]),
  };
}
