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

/** A printer that does not answer is given up after this long, in milliseconds. */
const PATIENCE = 20_000;
/** The most that is read of an answer. */
const MOST_BYTES = 4 * 1024 ** 2;

/** Speaks to one printer. Every call throws a PrinterFault with a sentence when it is not answered as it should be. */
export class PrinterClient {
  private requestId = 0;

  constructor(
    private readonly address: string,
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
    return new Promise((resolve, reject) => {
      const fail = (why: string) => reject(new PrinterFault(why));
      const asking = request(
        {
          hostname,
          port: port === "" ? 631 : Number(port),
          path: pathname,
          method: "POST",
          headers: { "Content-Type": "application/ipp", "Content-Length": body.length },
          timeout: PATIENCE,
        },
        (response) => {
          const parts: Buffer[] = [];
          let length = 0;
          response.on("data", (part: Buffer) => {
            length += part.length;
            if (length > MOST_BYTES) asking.destroy(new Error("its answer does not end"));
            parts.push(part);
          });
          response.on("end", () =>
            response.statusCode === 200
              ? resolve(Buffer.concat(parts))
              : fail(
                  `The printer at ${this.address} answered with HTTP ${response.statusCode}. Is the address right?`,
                ),
          );
          response.on("error", (error) => fail(`The printer went away in the middle: ${error.message}.`));
        },
      );
      asking.on("timeout", () => asking.destroy(new Error("it did not answer in time")));
      asking.on("error", (error: NodeJS.ErrnoException) =>
        fail(
          `The printer at ${this.address} cannot be reached: ${UNREACHED[error.code ?? ""] ?? error.message}. Is it switched on and in the same network?`,
        ),
      );
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

function refused(answer: Message): PrinterFault {
  const { code } = answer;
  const said = first(attributesOf(answer, "operation")["status-message"]);
  const why = SENTENCES[code] ?? "The printer refused.";
  return new PrinterFault(
    said === undefined ? `${why} (status ${code.toString(16)})` : `${why} It says: ${said}.`,
  );
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
