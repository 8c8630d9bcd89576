import {
  collection,
  enumerated,
  integer,
  JOB_STATES,
  keyword,
  mimeType,
  name,
  OPERATIONS,
  PRINT_QUALITIES,
  text,
  uri,
  yes,
  type Attributes,
  type Value,
} from "@wide-quilt/ipp";
import type { Media, Model } from "./models.ts";
import type { Wanted } from "./paper.ts";

/** A job as the printer keeps it. */
export interface PrintJob {
  id: number;
  name: string;
  user: string;
  format: string;
  copies: number;
  media: Media;
  type: string;
  quality: number;
  grey: boolean;
  scaling: "auto" | "none";
  trims: Wanted["trims"];
  /** Sheets that came out. */
  printed: number;
  state: number;
  reasons: string[];
  /** Seconds after the printer was switched on; null until then. */
  createdAt: number;
  startedAt: number | null;
  endedAt: number | null;
  kilobytes: number;
}

/** Of “finishings” (PWG 5100.1, 5.2.6). */
const TRIM = 11;
const longest = ({ media }: Model): number => Math.max(...media.map(({ height }) => height));

const IDLE = 3;
const PROCESSING = 4;
const STOPPED = 5;

const sizeOf = ({ width, height }: Media): Value =>
  collection({ "x-dimension": [integer(width)], "y-dimension": [integer(height)] });

const mediaCol = (media: Media, type: string): Value =>
  collection({
    "media-size": [sizeOf(media)],
    "media-size-name": [keyword(media.name)],
    "media-top-margin": [integer(media.edges.top)],
    "media-right-margin": [integer(media.edges.right)],
    "media-bottom-margin": [integer(media.edges.bottom)],
    "media-left-margin": [integer(media.edges.left)],
    "media-type": [keyword(type)],
  });

const different = (values: number[]): Value[] => [...new Set(values)].map(integer);

/** What the machine is and can do (RFC 8011, 5.4; PWG 5100.7 and 5100.12). */
export function printerAttributes(
  model: Model,
  address: string,
  at: { upTime: number; jobs: readonly PrintJob[]; paper: boolean },
): Attributes {
  const [media] = model.media as [Media, ...Media[]];
  const [type] = model.types as [string, ...string[]];
  const busy = at.jobs.some(({ state }) => state === JOB_STATES.processing);
  const resolution: Value = {
    as: "resolution",
    value: { across: model.ppi, down: model.ppi, unit: "dpi" },
  };
  const edges = model.media.map((one) => one.edges);
  return {
    "printer-uri-supported": [uri(address)],
    "uri-security-supported": [keyword("none")],
    "uri-authentication-supported": [keyword("none")],
    "printer-name": [name(model.id)],
    "printer-info": [text(model.name)],
    "printer-location": [text("Simulated")],
    "printer-more-info": [uri(address.replace(/^ipp/, "http"))],
    "printer-make-and-model": [text(model.name)],
    "printer-state": [enumerated(at.paper ? (busy ? PROCESSING : IDLE) : STOPPED)],
    "printer-state-reasons": [keyword(at.paper ? "none" : "media-empty")],
    "printer-state-message": [text(at.paper ? "" : "Out of paper")],
    "printer-is-accepting-jobs": [yes(true)],
    "printer-up-time": [integer(Math.max(1, at.upTime))],
    "printer-uuid": [
      uri(
        `urn:uuid:00000000-0000-4000-8000-${Buffer.from(model.id.padEnd(6, "-")).toString("hex").slice(0, 12)}`,
      ),
    ],
    "queued-job-count": [integer(at.jobs.filter(({ state }) => state < JOB_STATES.canceled).length)],
    "ipp-versions-supported": ["1.1", "2.0"].map(keyword),
    "ipp-features-supported": [keyword("none")],
    "operations-supported": Object.values(OPERATIONS).map(enumerated),
    "multiple-document-jobs-supported": [yes(false)],
    "multiple-operation-time-out": [integer(60)],
    "multiple-operation-time-out-action": [keyword("abort-job")],
    "charset-configured": [{ as: "charset", value: "utf-8" }],
    "charset-supported": [{ as: "charset", value: "utf-8" }],
    "natural-language-configured": [{ as: "language", value: "en" }],
    "generated-natural-language-supported": [{ as: "language", value: "en" }],
    "document-format-default": [mimeType(model.formats[0]!)],
    "document-format-supported": [...model.formats, "application/octet-stream"].map(mimeType),
    "compression-supported": [keyword("none")],
    "pdl-override-supported": [keyword("attempted")],
    "job-creation-attributes-supported": [
      "copies",
      ...(model.trims ? ["finishings-col"] : []),
      "media",
      "media-col",
      "print-quality",
      "print-color-mode",
      "print-scaling",
      "sides",
      "orientation-requested",
      "printer-resolution",
    ].map(keyword),
    "which-jobs-supported": ["completed", "not-completed"].map(keyword),
    "job-ids-supported": [yes(true)],
    "color-supported": [yes(true)],
    "pages-per-minute": [integer(6)],
    "pages-per-minute-color": [integer(6)],
    "copies-default": [integer(1)],
    "copies-supported": [{ as: "range", value: { from: 1, to: model.copies } }],
    "finishings-default": [enumerated(3)],
    "finishings-supported": (model.trims ? [3, TRIM] : [3]).map(enumerated),
    ...(model.trims && {
      "finishings-col-default": [collection({ "finishing-template": [keyword("none")] })],
      "finishings-col-supported": [keyword("trimming")],
      "trimming-offset-supported": [{ as: "range", value: { from: 0, to: longest(model) } }],
      "trimming-reference-edge-supported": ["left", "top"].map(keyword),
      "trimming-type-supported": [keyword("full")],
      "trimming-when-supported": [keyword("after-sheets")],
    }),
    "orientation-requested-default": [enumerated(3)],
    "orientation-requested-supported": [3, 4].map(enumerated),
    "output-bin-default": [keyword("face-up")],
    "output-bin-supported": [keyword("face-up")],
    "print-quality-default": [enumerated(PRINT_QUALITIES.normal)],
    "print-quality-supported": model.qualities.map(enumerated),
    "printer-resolution-default": [resolution],
    "printer-resolution-supported": [resolution],
    "sides-default": [keyword("one-sided")],
    "sides-supported": [keyword("one-sided")],
    "print-color-mode-default": [keyword("color")],
    "print-color-mode-supported": (model.grey ? ["color", "monochrome"] : ["color"]).map(keyword),
    "print-scaling-default": [keyword("auto")],
    "print-scaling-supported": ["auto", "none"].map(keyword),
    ...(model.formats.includes("image/pwg-raster") && {
      "pwg-raster-document-resolution-supported": [resolution],
      "pwg-raster-document-type-supported": ["srgb_8", "sgray_8"].map(keyword),
    }),
    "media-default": [keyword(media.name)],
    "media-ready": [keyword(media.name)],
    "media-supported": model.media.map((one) => keyword(one.name)),
    "media-size-supported": model.media.map(sizeOf),
    "media-type-supported": model.types.map(keyword),
    "media-col-default": [mediaCol(media, type)],
    "media-col-ready": [mediaCol(media, type)],
    "media-col-database": model.media.flatMap((one) => model.types.map((kind) => mediaCol(one, kind))),
    "media-col-supported": [
      "media-size",
      "media-size-name",
      "media-top-margin",
      "media-right-margin",
      "media-bottom-margin",
      "media-left-margin",
      "media-type",
    ].map(keyword),
    "media-top-margin-supported": different(edges.map(({ top }) => top)),
    "media-right-margin-supported": different(edges.map(({ right }) => right)),
    "media-bottom-margin-supported": different(edges.map(({ bottom }) => bottom)),
    "media-left-margin-supported": different(edges.map(({ left }) => left)),
  };
}

/** What is known of a job (RFC 8011, 5.3). */
export function jobAttributes(job: PrintJob, printer: string, upTime: number): Attributes {
  const at = (seconds: number | null): Value =>
    seconds === null ? { as: "no-value" } : integer(Math.max(1, seconds));
  return {
    "job-id": [integer(job.id)],
    "job-uri": [uri(`${printer}/jobs/${job.id}`)],
    "job-printer-uri": [uri(printer)],
    "job-name": [name(job.name)],
    "job-originating-user-name": [name(job.user)],
    "job-state": [enumerated(job.state)],
    "job-state-reasons": (job.reasons.length > 0 ? job.reasons : ["none"]).map(keyword),
    "job-state-message": [text("")],
    "job-printer-up-time": [integer(Math.max(1, upTime))],
    "time-at-creation": [at(job.createdAt)],
    "time-at-processing": [at(job.startedAt)],
    "time-at-completed": [at(job.endedAt)],
    "job-k-octets": [integer(job.kilobytes)],
    "job-impressions-completed": [integer(job.printed)],
    "job-media-sheets-completed": [integer(job.printed)],
    copies: [integer(job.copies)],
    "document-format": [mimeType(job.format)],
  };
}
