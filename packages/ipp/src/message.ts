/** What travels between a client and a printer (RFC 8010, 3.1): an operation or a status, and groups of attributes. */
export interface Message {
  version: [major: number, minor: number];
  /** The operation that is asked for, or the status of an answer. */
  code: number;
  requestId: number;
  groups: Group[];
}

export interface Group {
  of: GroupName;
  attributes: Attributes;
}

export type Attributes = Record<string, Value[]>;

export type GroupName = "operation" | "job" | "printer" | "unsupported";

/** A value with the syntax it has; two that look alike may be of different syntaxes. */
export type Value =
  | { as: "integer" | "enum"; value: number }
  | { as: "boolean"; value: boolean }
  | { as: TextSyntax; value: string }
  | { as: "octets"; value: Uint8Array }
  | { as: "dateTime"; value: Date }
  | { as: "resolution"; value: { across: number; down: number; unit: "dpi" | "dpcm" } }
  | { as: "range"; value: { from: number; to: number } }
  | { as: "collection"; value: Attributes }
  | { as: "no-value" };

export type TextSyntax =
  "text" | "name" | "keyword" | "uri" | "uriScheme" | "charset" | "language" | "mimeType";

/** Tags of groups (RFC 8010, 3.5.1). */
export const GROUPS: Record<GroupName, number> = { operation: 1, job: 2, printer: 4, unsupported: 5 };

/** Tags of values (RFC 8010, 3.5.2). */
export const TAGS = {
  "no-value": 0x13,
  integer: 0x21,
  boolean: 0x22,
  enum: 0x23,
  octets: 0x30,
  dateTime: 0x31,
  resolution: 0x32,
  range: 0x33,
  collection: 0x34,
  endCollection: 0x37,
  text: 0x41,
  name: 0x42,
  keyword: 0x44,
  uri: 0x45,
  uriScheme: 0x46,
  charset: 0x47,
  language: 0x48,
  mimeType: 0x49,
  member: 0x4a,
} as const;

/** Operations (RFC 8011, 5.4.15). */
export const OPERATIONS = {
  printJob: 0x0002,
  validateJob: 0x0004,
  createJob: 0x0005,
  sendDocument: 0x0006,
  cancelJob: 0x0008,
  getJobAttributes: 0x0009,
  getJobs: 0x000a,
  getPrinterAttributes: 0x000b,
} as const;

/** Statuses (RFC 8011, B). */
export const STATUS = {
  ok: 0x0000,
  okIgnored: 0x0001,
  badRequest: 0x0400,
  notPossible: 0x0404,
  notFound: 0x0406,
  formatNotSupported: 0x040a,
  attributesNotSupported: 0x040b,
  charsetNotSupported: 0x040d,
  operationNotSupported: 0x0501,
  versionNotSupported: 0x0503,
} as const;

/** States of a job (RFC 8011, 5.3.7). */
export const JOB_STATES = {
  pending: 3,
  held: 4,
  processing: 5,
  stopped: 6,
  canceled: 7,
  aborted: 8,
  completed: 9,
} as const;

export const keyword = (value: string): Value => ({ as: "keyword", value });
export const name = (value: string): Value => ({ as: "name", value });
export const uri = (value: string): Value => ({ as: "uri", value });
export const mimeType = (value: string): Value => ({ as: "mimeType", value });
export const integer = (value: number): Value => ({ as: "integer", value });
export const enumerated = (value: number): Value => ({ as: "enum", value });
export const yes = (value: boolean): Value => ({ as: "boolean", value });
export const text = (value: string): Value => ({ as: "text", value });
export const collection = (value: Attributes): Value => ({ as: "collection", value });

/** What every message begins with (RFC 8011, 4.1.4). */
export const LANGUAGE: Attributes = {
  "attributes-charset": [{ as: "charset", value: "utf-8" }],
  "attributes-natural-language": [{ as: "language", value: "en" }],
};

/** The first of some values as text; undefined where there is none. */
export const first = (values: Value[] | undefined): string | undefined => {
  const [value] = values ?? [];
  return value && "value" in value ? String(value.value) : undefined;
};

/** Those of some values that are text. */
export const strings = (values: Value[] | undefined): string[] =>
  (values ?? []).flatMap((one) => ("value" in one && typeof one.value === "string" ? one.value : []));

/** Those of some values that are numbers. */
export const numbers = (values: Value[] | undefined): number[] =>
  (values ?? []).flatMap((one) => ("value" in one && typeof one.value === "number" ? one.value : []));

/** The first of some values as a number; 0 where there is none. */
export const number = (values: Value[] | undefined): number => numbers(values)[0] ?? 0;
