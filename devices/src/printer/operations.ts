import {
  decode,
  DOCUMENTS,
  encode,
  JOB_STATES,
  LANGUAGE,
  OPERATIONS,
  PRINT_QUALITIES,
  STATUS,
  text,
  type Attributes,
  type Group,
  type Message,
  type Value,
} from "@wide-quilt/ipp";
import { jobAttributes, printerAttributes, type PrintJob } from "./attributes.ts";
import type { Media, Model } from "./models.ts";

/** What operations need of the machine. */
export interface Machine {
  model: Model;
  address: string;
  jobs: PrintJob[];
  hasPaper: boolean;
  upTime(): number;
  add(job: Omit<PrintJob, "id" | "createdAt">): PrintJob;
  submit(job: PrintJob, document: Buffer): void;
  mediaNamed(name: string | undefined): Media | undefined;
}

/** An answer that is not “ok”. */
class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly unsupported: Attributes = {},
  ) {
    super(message);
  }
}

interface Asked {
  operation: Attributes;
  job: Attributes;
  document: Buffer;
}

type Answered = { groups?: Group[]; unsupported?: Attributes };

/** Answers one message (RFC 8011, 4.1). */
export function answer(machine: Machine, bytes: Buffer): Buffer {
  let asked: Message;
  let document: Buffer;
  try {
    ({ message: asked, rest: document } = decode(bytes));
  } catch {
    return encode(reply({ version: [1, 1], requestId: 1 }, STATUS.badRequest, "This is no IPP."));
  }
  try {
    checkHead(asked);
    const operate = OPERATE[asked.code];
    if (!operate) throw new Refusal(STATUS.operationNotSupported, "This printer does not do that.");
    const group = (of: Group["of"]) => asked.groups.find((one) => one.of === of)?.attributes ?? {};
    const { groups = [], unsupported = {} } = operate(machine, {
      operation: group("operation"),
      job: group("job"),
      document,
    });
    const ignored = Object.keys(unsupported).length > 0;
    return encode(
      reply(asked, ignored ? STATUS.okIgnored : STATUS.ok, "", [
        ...(ignored ? [{ of: "unsupported" as const, attributes: unsupported }] : []),
        ...groups,
      ]),
    );
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const groups: Group[] =
      Object.keys(error.unsupported).length > 0 ? [{ of: "unsupported", attributes: error.unsupported }] : [];
    return encode(reply(asked, error.status, error.message, groups));
  }
}

const reply = (
  { version, requestId }: Pick<Message, "version" | "requestId">,
  code: number,
  said: string,
  groups: Group[] = [],
): Message => ({
  version,
  code,
  requestId,
  groups: [
    {
      of: "operation",
      attributes: { ...LANGUAGE, ...(said === "" ? {} : { "status-message": [text(said)] }) },
    },
    ...groups,
  ],
});

/** The head of every request: versions, and the two attributes that come first in this order (RFC 8011, 4.1.4). */
function checkHead({ version, requestId, groups }: Message): void {
  if (![1, 2].includes(version[0]))
    throw new Refusal(STATUS.versionNotSupported, "IPP 1.1 and 2.0 are spoken here.");
  if (requestId <= 0) throw new Refusal(STATUS.badRequest, "The request has no number.");
  const [first] = groups;
  if (first?.of !== "operation")
    throw new Refusal(STATUS.badRequest, "The operation’s attributes come first.");
  const [charset, language] = Object.keys(first.attributes);
  if (charset !== "attributes-charset" || language !== "attributes-natural-language")
    throw new Refusal(STATUS.badRequest, "Charset and language come first.");
  if (!["utf-8", "us-ascii"].includes(said(first.attributes, "attributes-charset") ?? ""))
    throw new Refusal(STATUS.charsetNotSupported, "UTF-8 is spoken here.");
  if (said(first.attributes, "printer-uri") === undefined && said(first.attributes, "job-uri") === undefined)
    throw new Refusal(STATUS.badRequest, "It is not said which printer is meant.");
}

const said = (attributes: Attributes, name: string): string | undefined => {
  const value = attributes[name]?.[0];
  return value && "value" in value && typeof value.value === "string" ? value.value : undefined;
};

const figure = (attributes: Attributes, name: string): number | undefined => {
  const value = attributes[name]?.[0];
  return value && "value" in value && typeof value.value === "number" ? value.value : undefined;
};

const OPERATE: Record<number, (machine: Machine, asked: Asked) => Answered> = {
  [OPERATIONS.getPrinterAttributes]: (machine, { operation }) => {
    const { model, address, jobs, hasPaper: paper } = machine;
    const all = printerAttributes(model, address, { upTime: machine.upTime(), jobs, paper });
    return { groups: [{ of: "printer", attributes: wanted(all, operation, "media-col-database") }] };
  },
  [OPERATIONS.validateJob]: (machine, asked) => {
    const { unsupported } = readJob(machine, asked);
    return { unsupported };
  },
  [OPERATIONS.printJob]: (machine, asked) => {
    const { job, unsupported } = readJob(machine, asked);
    const added = machine.add(job);
    machine.submit(added, asked.document);
    return { groups: [jobGroup(machine, added)], unsupported };
  },
  [OPERATIONS.createJob]: (machine, asked) => {
    const { job, unsupported } = readJob(machine, asked);
    const added = machine.add({ ...job, state: JOB_STATES.held, reasons: ["job-incoming"] });
    return { groups: [jobGroup(machine, added)], unsupported };
  },
  [OPERATIONS.sendDocument]: (machine, { operation, document }) => {
    const job = jobOf(machine, operation);
    if (operation["last-document"] === undefined)
      throw new Refusal(STATUS.badRequest, "It is not said whether this is the last document.");
    if (!job.reasons.includes("job-incoming"))
      throw new Refusal(STATUS.notPossible, "This job has its document already.");
    job.format = formatOf(machine.model, operation, document);
    machine.submit(job, document);
    return { groups: [jobGroup(machine, job)] };
  },
  [OPERATIONS.cancelJob]: (machine, { operation }) => {
    const job = jobOf(machine, operation);
    if (job.state >= JOB_STATES.canceled)
      throw new Refusal(STATUS.notPossible, "This job has come to its end.");
    job.state = JOB_STATES.canceled;
    job.reasons = ["job-canceled-by-user"];
    job.endedAt = machine.upTime();
    return {};
  },
  [OPERATIONS.getJobAttributes]: (machine, { operation }) => {
    const job = jobOf(machine, operation);
    const all = jobAttributes(job, machine.address, machine.upTime());
    return { groups: [{ of: "job", attributes: wanted(all, operation) }] };
  },
  [OPERATIONS.getJobs]: (machine, { operation }) => {
    const which = said(operation, "which-jobs") ?? "not-completed";
    if (which !== "completed" && which !== "not-completed") {
      throw new Refusal(STATUS.attributesNotSupported, "Jobs are completed, or not.", {
        "which-jobs": operation["which-jobs"]!,
      });
    }
    const mine = operation["my-jobs"]?.[0];
    const user = said(operation, "requesting-user-name");
    const jobs = machine.jobs
      .filter(({ state }) => state >= JOB_STATES.canceled === (which === "completed"))
      .filter((job) => !(mine?.as === "boolean" && mine.value) || job.user === user);
    if (which === "completed") jobs.reverse();
    const listed = jobs.slice(0, figure(operation, "limit") ?? jobs.length);
    const usual = operation["requested-attributes"] ? {} : JUST_THE_NUMBER;
    return {
      groups: listed.map((job) => ({
        of: "job",
        attributes: wanted(jobAttributes(job, machine.address, machine.upTime()), { ...operation, ...usual }),
      })),
    };
  },
};

/** What is told of jobs in a list unless more is asked for (RFC 8011, 4.2.6.1). */
const JUST_THE_NUMBER: Attributes = {
  "requested-attributes": ["job-uri", "job-id"].map((value) => ({ as: "keyword", value })),
};

const GROUPS_OF_ATTRIBUTES = new Set(["all", "printer-description", "job-template", "job-description"]);

/** Those attributes that are asked for; `special` ones only by their name (PWG 5100.7, 6.3.18). */
function wanted(all: Attributes, operation: Attributes, ...special: string[]): Attributes {
  const asked = (operation["requested-attributes"] ?? []).flatMap((one) =>
    "value" in one && typeof one.value === "string" ? one.value : [],
  );
  const everything = asked.length === 0 || asked.some((one) => GROUPS_OF_ATTRIBUTES.has(one));
  return Object.fromEntries(
    Object.entries(all).filter(([name]) => asked.includes(name) || (everything && !special.includes(name))),
  );
}

const jobGroup = (machine: Machine, job: PrintJob): Group => {
  const all = jobAttributes(job, machine.address, machine.upTime());
  const names = ["job-id", "job-uri", "job-state", "job-state-reasons", "job-state-message"];
  return { of: "job", attributes: Object.fromEntries(names.map((name) => [name, all[name]!])) };
};

function jobOf(machine: Machine, operation: Attributes): PrintJob {
  const address = said(operation, "job-uri");
  const id = figure(operation, "job-id") ?? Number(address?.split("/").at(-1));
  const job = machine.jobs.find((one) => one.id === id);
  if (!job) throw new Refusal(STATUS.notFound, "There is no such job.");
  return job;
}

/** Kinds of documents by how they begin, for those that come as bytes of any kind. */
const MAGIC: Record<string, string> = { "%PDF": DOCUMENTS.pdf, RaS2: DOCUMENTS.raster };

function formatOf(model: Model, operation: Attributes, document: Buffer): string {
  const asked = said(operation, "document-format") ?? model.formats[0]!;
  const sniffed = MAGIC[document.subarray(0, 4).toString("latin1")] ?? DOCUMENTS.jpeg;
  const format = asked === "application/octet-stream" ? sniffed : asked;
  if (!model.formats.includes(format)) {
    throw new Refusal(STATUS.formatNotSupported, `${format} is not printed here`, {
      "document-format": [{ as: "mimeType", value: asked }],
    });
  }
  return format;
}

/** Attributes of a job that are read; the values of others are given back as not supported. */
const READ = new Set([
  "copies",
  "media",
  "media-col",
  "print-quality",
  "finishings-col",
  "sides",
  "orientation-requested",
  "print-color-mode",
  "print-scaling",
  "printer-resolution",
  "job-name",
]);

function readJob(machine: Machine, { operation, job, document }: Asked) {
  const { model } = machine;
  const format = formatOf(model, operation, document);
  if (said(operation, "compression") !== undefined && said(operation, "compression") !== "none") {
    throw new Refusal(STATUS.attributesNotSupported, "Nothing is unpacked here.", {
      compression: operation.compression!,
    });
  }
  const copies = figure(job, "copies") ?? 1;
  const media = mediaOf(machine, job);
  const unsupported: Attributes = Object.fromEntries(
    Object.keys(job)
      .filter((name) => !READ.has(name))
      .map((name): [string, Value[]] => [name, [{ as: "no-value" }]]),
  );
  if (copies < 1 || copies > model.copies) unsupported.copies = job.copies!;
  const quality = figure(job, "print-quality") ?? PRINT_QUALITIES.normal;
  if (!model.qualities.includes(quality)) unsupported["print-quality"] = job["print-quality"]!;
  const type = typeOf(job) ?? model.types[0]!;
  if (!model.types.includes(type)) unsupported["media-col"] = job["media-col"]!;
  if (!media) unsupported.media = job.media ?? job["media-col"]!;
  const isFaithful = operation["ipp-attribute-fidelity"]?.[0];
  if (isFaithful?.as === "boolean" && isFaithful.value && Object.keys(unsupported).length > 0)
    throw new Refusal(STATUS.attributesNotSupported, "Not all of this can be done", unsupported);
  const read: Omit<PrintJob, "id" | "createdAt"> = {
    name: said(operation, "job-name") ?? "Untitled",
    user: said(operation, "requesting-user-name") ?? "anonymous",
    format,
    copies: Math.min(Math.max(copies, 1), model.copies),
    media: media ?? model.media[0]!,
    type,
    quality,
    grey: model.grey && said(job, "print-color-mode") === "monochrome",
    trims: model.trims ? trimsOf(job) : { left: [], top: [] },
    scaling: said(job, "print-scaling") === "none" ? "none" : "auto",
    printed: 0,
    state: JOB_STATES.pending,
    reasons: [],
    startedAt: null,
    endedAt: null,
    kilobytes: Math.ceil(document.length / 1024),
  };
  return { job: read, unsupported };
}

/** Where a job asks for cuts right through every sheet. */
function trimsOf(job: Attributes): PrintJob["trims"] {
  const trims: PrintJob["trims"] = { left: [], top: [] };
  for (const finish of job["finishings-col"] ?? []) {
    const trimming = finish.as === "collection" ? finish.value.trimming?.[0] : undefined;
    if (trimming?.as !== "collection") continue;
    const edge = said(trimming.value, "trimming-reference-edge");
    const offset = figure(trimming.value, "trimming-offset");
    if ((edge === "left" || edge === "top") && offset !== undefined) trims[edge].push(offset);
  }
  return trims;
}

function typeOf(job: Attributes): string | undefined {
  const asked = job["media-col"]?.[0];
  return asked?.as === "collection" ? said(asked.value, "media-type") : undefined;
}

/** The paper that a job asks for, by its name or by its size. */
function mediaOf(machine: Machine, job: Attributes): Media | undefined {
  const named = said(job, "media");
  if (named !== undefined) return machine.mediaNamed(named);
  const asked = job["media-col"]?.[0];
  if (asked?.as !== "collection") return machine.mediaNamed(undefined);
  const size = asked.value["media-size"]?.[0];
  if (size?.as !== "collection") return machine.mediaNamed(said(asked.value, "media-size-name"));
  const [width, height] = [figure(size.value, "x-dimension"), figure(size.value, "y-dimension")];
  return machine.model.media.find((one) => one.width === width && one.height === height);
}
