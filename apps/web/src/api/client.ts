import {
  type BackdropFill,
  type Edges,
  type EventEntry,
  type EventSetup,
  type Face,
  type JobEdit,
  type Kind,
  type MadeFor,
  type Printer,
  readJob,
  type Seen,
  type StyleChange,
  type Unit,
  type DaysFrom,
} from "@wide-quilt/core";
import type { PrinterCan } from "@wide-quilt/ipp";
import type {
  ArtView,
  CalendarFileView,
  DaysView,
  DemoView,
  EventCard,
  EventView,
  GraphicView,
  GuestView,
  HeadSearch,
  HolidayPlace,
  JobCardView,
  JobChange,
  JobSummary,
  JobView,
  JpegSizes,
  KeptPart,
  KeptView,
  MadeBackdrop,
  NextYearView,
  NetworkView,
  PatternView,
  ProblemBody,
  ProfileView,
  Proof,
  Run,
  RunList,
  RunNaming,
  StyleView,
  TakenIn,
  TakenSet,
  WatchView,
} from "@wide-quilt/server/contract";
import { thisWindow } from "../app/thisWindow.ts";
import { NoAnswer, NotReadable, ServerProblem } from "./problem.ts";

/** An edit on its way, with a name of its own so that it is applied once however often it is sent. */
export interface SentEdit {
  id: string;
  gesture?: string;
  /** Whether a page of an older version found it by itself and kept it here: it is no step. */
  byItself?: boolean;
  edit: JobEdit;
}

/** What the addresses of pages and questions begin with behind a proxy; nothing otherwise. */
export const BASE = metaOf("wide-quilt-base");
const BUILD = metaOf("wide-quilt-build");

function metaOf(name: string): string {
  return globalThis.document?.querySelector(`meta[name="${name}"]`)?.getAttribute("content") ?? "";
}

let onNewer: () => void = () => undefined;

/** Calls back once, when answers come from a newer build than this page is of. */
export function whenNewer(then: () => void): void {
  onNewer = then;
}

function noticeBuild(response: Response): void {
  const build = response.headers.get("X-Wide-Quilt-Build");
  if (BUILD === "" || build === null || build === BUILD) return;
  onNewer();
  onNewer = () => undefined;
}

/** A file as it is, without a form around it. */
const BYTES = "application/octet-stream";

/** A body as it goes out, and what it says it is; a form says that by itself. */
function sent(body: unknown): Pick<RequestInit, "headers" | "body"> {
  if (body === undefined) return {};
  if (body instanceof FormData) return { body };
  if (body instanceof Blob) return { headers: { "Content-Type": BYTES }, body };
  return { headers: { "Content-Type": "application/json" }, body: JSON.stringify(body) };
}

async function ask<T>(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`${BASE}/api${path}`, {
      method,
      signal,
      ...sent(body),
    });
  } catch (error) {
    if (signal?.aborted) throw error;
    throw new NoAnswer();
  }
  noticeBuild(response);
  if (!response.ok) throw await problemOf(response);
  return (response.status === 204 ? undefined : await response.json()) as T;
}

async function problemOf(response: Response): Promise<Error> {
  if (response.headers.get("Content-Type")?.includes("problem+json")) {
    return new ServerProblem((await response.json()) as ProblemBody);
  }
  return new NoAnswer();
}

const guests = (token: string, what: string, party: string) =>
  `/guests/${encodeURIComponent(token)}${what}?party=${party}`;
const event = (id: string) => `/events/${encodeURIComponent(id)}`;
const pattern = (id: string) => `/patterns/${encodeURIComponent(id)}`;
const job = (id: string) => `/jobs/${encodeURIComponent(id)}`;

/** A job that came is read by the schema of this page: the server may be a newer one. Throws NotReadable. */
function viewed(view: JobView): JobView {
  const reading = readJob(view.job);
  if (reading.ok) return { ...view, job: reading.job };
  throw new NotReadable(
    "This page is of another Wide Quilt than the server and cannot read this job. Nothing of it is lost; load the page again.",
  );
}

/** Everything that is asked of the server, one line each. */
export const server = {
  demo: () => ask<DemoView>("GET", "/demo"),
  listJobs: (bin: boolean) => ask<JobSummary[]>("GET", `/jobs?bin=${bin}`),
  startJob: (kind: Kind, name: string, locale: string, unit: Unit) =>
    ask<JobView>("POST", "/jobs", { kind, name, locale, unit }),
  importJob: (file: unknown) => ask<JobView>("POST", "/jobs/import", file),
  viewJob: async (id: string) => viewed(await ask<JobView>("GET", `${job(id)}?client=${thisWindow.name}`)),
  jobCard: (id: string, signal: AbortSignal) => ask<JobCardView>("GET", `${job(id)}/card`, undefined, signal),
  duplicateJob: (id: string) => ask<JobView>("POST", `${job(id)}/duplicate`),
  setBinned: (id: string, binned: boolean) => ask<void>("PUT", `${job(id)}/bin`, { binned }),
  deleteJob: (id: string) => ask<void>("DELETE", job(id)),
  sendEdits: (id: string, version: number | undefined, edits: SentEdit[], client = thisWindow.name) =>
    ask<JobChange>("POST", `${job(id)}/edits`, { client, version, edits }),
  undo: (id: string, version: number, act: string) =>
    ask<JobChange>("POST", `${job(id)}/undo`, { client: thisWindow.name, version, id: act }),
  redo: (id: string, version: number, act: string) =>
    ask<JobChange>("POST", `${job(id)}/redo`, { client: thisWindow.name, version, id: act }),
  listPatterns: () => ask<PatternView[]>("GET", "/patterns"),
  keepPattern: (job: string, name: string, folder: string) =>
    ask<PatternView>("POST", "/patterns", { job, name, folder }),
  importPattern: (file: unknown) => ask<PatternView>("POST", "/patterns/import", file),
  changePattern: (id: string, change: { name?: string; folder?: string }) =>
    ask<PatternView>("PUT", pattern(id), change),
  deletePattern: (id: string) => ask<void>("DELETE", pattern(id)),
  keepInPattern: (job: string) => ask<PatternView>("PUT", `/patterns/of/${encodeURIComponent(job)}`),
  addTarget: (id: string, madeFor: MadeFor) => ask<PatternView>("POST", `${pattern(id)}/targets`, madeFor),
  changeTarget: (id: string, target: string, madeFor: MadeFor) =>
    ask<PatternView>("PUT", `${pattern(id)}/targets/${target}`, madeFor),
  uncorrectTarget: (id: string, target: string) =>
    ask<PatternView>("DELETE", `${pattern(id)}/targets/${target}/corrections`),
  removeTarget: (id: string, target: string) =>
    ask<PatternView>("DELETE", `${pattern(id)}/targets/${target}`),
  startFromPattern: (id: string) => ask<JobView>("POST", `${pattern(id)}/start`),
  addPhoto: (file: File, signal?: AbortSignal) =>
    ask<TakenIn>("POST", `/photos?name=${encodeURIComponent(file.name)}`, file, signal),
  watched: (id: string, after: number) => ask<WatchView>("GET", `${job(id)}/watch?after=${after}`),
  watchFolder: (id: string, folder: string) => ask<WatchView>("PUT", `${job(id)}/watch`, { folder }),
  watchedTaken: (id: string, number: number) => ask<void>("PUT", `${job(id)}/watch/taken`, { number }),
  stopWatching: (id: string) => ask<void>("DELETE", `${job(id)}/watch`),
  addGraphic: (file: File) => {
    const form = new FormData();
    form.append("graphic", file, file.name);
    return ask<GraphicView>("POST", "/graphics", form);
  },
  findWindows: (id: string, search: { threshold?: number; least?: number } = {}) =>
    ask<ArtView>("GET", `/graphics/${id}/windows?${new URLSearchParams(search as Record<string, string>)}`),
  widenGraphic: (id: string, name: string, more: Record<keyof Edges, number>) =>
    ask<GraphicView>("POST", `/graphics/${id}/widened`, { name, ...more }),
  holidayPlaces: (language: string) =>
    ask<HolidayPlace[]>("GET", `/calendar/places?${new URLSearchParams({ language })}`),
  askDays: (from: string, to: string, source: DaysFrom) =>
    ask<DaysView>("POST", "/calendar/days", { from, to, source }),
  oneMonth: (id: string, page: string) => ask<JobView>("POST", `${job(id)}/month`, { page }),
  nextYear: (id: string) => ask<NextYearView>("POST", `${job(id)}/next-year`),
  addCalendarFile: (file: File) => {
    const form = new FormData();
    form.append("calendar", file, file.name);
    return ask<CalendarFileView>("POST", "/calendar/files", form);
  },
  listStyles: () => ask<StyleView[]>("GET", "/styles"),
  keepStyle: (name: string, style: StyleChange) => ask<StyleView>("POST", "/styles", { name, style }),
  deleteStyle: (id: string) => ask<void>("DELETE", `/styles/${id}`),
  headSearch: () => ask<HeadSearch>("GET", "/heads"),
  pauseHeads: (paused: boolean) => ask<HeadSearch>("PUT", "/heads", { paused }),
  setHeads: (photo: string, heads: readonly Face[]) => ask<Seen>("PUT", `/photos/${photo}/heads`, { heads }),
  findHeads: (photo: string) => ask<Seen>("POST", `/photos/${photo}/heads`),
  makeMask: (photo: string) => ask<MadeBackdrop>("POST", `/photos/${photo}/mask`),
  makeBackdrop: (photo: string, mask: string, fill: BackdropFill) =>
    ask<MadeBackdrop>("POST", `/photos/${photo}/backdrop`, { mask, ...fill }),
  askProof: (id: string, sheet: number, wide = false) =>
    ask<Proof>("POST", `${job(id)}/proofs`, { sheet, wide }),
  weigh: (id: string, sheet: number) => ask<JpegSizes>("POST", `${job(id)}/sizes`, { sheet }),
  proof: (id: string) => ask<Proof>("GET", `/proofs/${id}`),
  cancelProof: (id: string) => ask<void>("DELETE", `/proofs/${id}`),
  startRun: (id: string, naming: RunNaming) => ask<Run>("POST", `${job(id)}/runs`, naming),
  run: (id: string) => ask<Run>("GET", `/runs/${id}`),
  listRuns: (id: string | null) =>
    ask<RunList>("GET", id === null ? "/runs" : `/runs?job=${encodeURIComponent(id)}`),
  cancelRun: (id: string) => ask<void>("DELETE", `/runs/${id}`),
  pauseRun: (id: string) => ask<void>("POST", `/runs/${id}/pause`),
  resumeRun: (id: string) => ask<void>("POST", `/runs/${id}/resume`),
  answerDoubt: (id: string, cameOut: boolean) => ask<void>("POST", `/runs/${id}/answer`, { cameOut }),
  runAgain: (id: string) => ask<Run>("POST", `/runs/${id}/again`),
  listProfiles: () => ask<ProfileView[]>("GET", "/profiles"),
  addProfile: (file: File) => {
    const form = new FormData();
    form.append("profile", file, file.name);
    return ask<ProfileView>("POST", "/profiles", form);
  },
  removeProfile: (id: string) => ask<void>("DELETE", `/profiles/${id}`),
  listPrinters: () => ask<Printer[]>("GET", "/printers"),
  keepPrinter: (printer: Printer) =>
    ask<Printer>("PUT", `/printers/${encodeURIComponent(printer.id)}`, printer),
  removePrinter: (id: string) => ask<void>("DELETE", `/printers/${encodeURIComponent(id)}`),
  printerCan: (address: string) => ask<PrinterCan>("POST", "/printers/can", { address }),
  kept: () => ask<KeptView>("GET", "/kept"),
  clearKept: (what: KeptPart["what"]) => ask<KeptView>("POST", "/kept/clear", { what }),
  listEvents: () => ask<EventCard[]>("GET", "/events"),
  startEvent: (name: string, patterns: string[]) => ask<EventView>("POST", "/events", { name, patterns }),
  event: (id: string) => ask<EventView>("GET", event(id)),
  setUpEvent: (id: string, setup: EventSetup, pin?: string) =>
    ask<void>("PUT", `${event(id)}/setup`, { setup, pin }),
  tellEvent: (id: string, entry: EventEntry) => ask<void>("POST", `${event(id)}/entries`, { entry }),
  eventShot: (id: string, photo: Blob, name: string) =>
    ask<TakenIn>("POST", `${event(id)}/shots?name=${encodeURIComponent(name)}`, photo),
  takeOldPhotos: (id: string) => ask<void>("POST", `${event(id)}/old-photos`),
  network: () => ask<NetworkView>("GET", "/network"),
  setLink: (id: string, set: number) => ask<{ link: string }>("GET", `${event(id)}/sets/${set}/link`),
  testPrint: (id: string, pattern: string, printer: string) =>
    ask<void>("POST", `${event(id)}/test-print`, { pattern, printer }),
  takenSet: (link: string) => ask<TakenSet>("GET", `/taken/${encodeURIComponent(link)}`),
  leaveGuests: (id: string, pin: string) => ask<void>("POST", `${event(id)}/leave`, { pin }),
  guest: (token: string, party: string) => ask<GuestView>("GET", guests(token, "", party)),
  guestShot: (token: string, party: string, photo: File) =>
    ask<TakenIn>("POST", `${guests(token, "/shots", party)}&name=${encodeURIComponent(photo.name)}`, photo),
  guestAct: (
    token: string,
    party: string,
    act: { act: "print"; copies: number } | { act: "retake"; place: number },
  ) => ask<void>("POST", guests(token, "/acts", party), act),
  importPrinters: (file: unknown) => ask<Printer[]>("POST", "/printers/import", file),
};

/** Longest sides of the previews that the server keeps. */
const PREVIEW_SIZES = [320, 800, 1600] as const;
type PreviewSize = (typeof PREVIEW_SIZES)[number];

/** Addresses that the browser loads by itself. */
export const address = {
  preview: (photo: string, size: PreviewSize) => `${BASE}/api/photos/${photo}/preview/${size}`,
  /** The smallest preview with at least this many pixels on its longest side, or the largest there is. */
  previewFor: (photo: string, pixels: number) =>
    `${BASE}/api/photos/${photo}/preview/${PREVIEW_SIZES.find((size) => size >= pixels) ?? PREVIEW_SIZES.at(-1)}`,
  graphic: (id: string) => `${BASE}/api/graphics/${id}`,
  artwork: (id: string, sheet: string) => `${BASE}/api${job(id)}/artwork?sheet=${encodeURIComponent(sheet)}`,
  patternFile: (id: string) => `${BASE}/api/patterns/${encodeURIComponent(id)}/file`,
  calendar: (id: string) => `${BASE}/api${job(id)}/calendar.ics`,
  jobFile: (id: string) => `${BASE}/api${job(id)}/file`,
  personFile: (id: string, shot: number) => `${BASE}/api${job(id)}/people/${shot}/file`,
  proofPicture: (id: string) => `${BASE}/api/proofs/${id}/picture`,
  profile: (id: string) => `${BASE}/api/profiles/${encodeURIComponent(id)}/file`,
  printersFile: `${BASE}/api/printers/file`,
  /** Where what happens to a job, and to runs, is pushed; `from` is the version of the job that this window has. */
  follow: (job: string | null, from: number | null, runs: boolean) => {
    const query = new URLSearchParams({ client: thisWindow.name });
    if (job !== null) query.set("job", job);
    if (job !== null && from !== null) query.set("from", String(from));
    if (runs) query.set("runs", "true");
    return `${BASE}/api/follow?${query}`;
  },
  /** Where what happens at an event is pushed. */
  followEvent: (id: string) =>
    `${BASE}/api/follow?${new URLSearchParams({ client: thisWindow.name, event: id })}`,
  guestPhoto: (token: string, photo: string) =>
    `${BASE}/api/guests/${encodeURIComponent(token)}/photos/${photo}`,
  /** The page that guests open on their telephones. */
  guestPage: (token: string) => `${location.origin}${BASE}/g/${token}`,
  certificate: `${BASE}/api/network/certificate`,
  eventDownload: (id: string) => `${BASE}/api${event(id)}/download`,
  eventReport: (id: string, paper: "a4" | "letter") => `${BASE}/api${event(id)}/report?paper=${paper}`,
  /** The page by which guests take a set along, and what it shows. */
  takenPage: (link: string) => `${location.origin}${BASE}/t/${link}`,
  taken: (link: string, what: "page" | "moving" | `shots/${number}`) =>
    `${BASE}/api/taken/${encodeURIComponent(link)}/${what}`,
  health: `${BASE}/health`,
  download: (run: string) => `${BASE}/api/runs/${run}/download`,
};
