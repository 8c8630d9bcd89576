import { USUAL_ABOUT, USUAL_PRESS } from "../catalogue/press/schema.ts";
import { PLAIN, SHIPPED_CURRENCY } from "../catalogue/printer/schema.ts";
import { BARE } from "../finish/style/schema.ts";
import { EACH_ITS_SHEET } from "../solve/slots/index.ts";
import { GLUED } from "../solve/tiles/index.ts";
import { named6, onSheets7 } from "./names6.ts";
import { JOB_VERSION } from "./schema.ts";
import { EVERY_PHOTO } from "./stash/schema.ts";

type Migration = { ok: true; value: unknown } | { ok: false; why: string };

type Values = Record<string, unknown>;

/** How versions 4 and 5 began to write. */
const { light: _light, ...PRESS_5 } = { ...USUAL_PRESS, about: USUAL_ABOUT };
const { naming: _naming, ...PRESS_4 } = PRESS_5;

/** For each older version, the step that brings a job file one version on. */
const STEPS: Record<number, (job: Values) => Values> = {
  // Version 1 knew copies of one photo alone, on whole papers.
  1: (job) => {
    const { turnPieces, ...ticket } = (job.ticket ?? {}) as Values;
    return {
      ...job,
      version: 2,
      ticket: { ...ticket, turnPieces: turnPieces === true ? "all" : "never", cuts: "straight" },
      sheet: { ...(job.sheet as Values), trim: null, bleed: 0, safe: 0, enlarged: 0, facing: false },
      sheets: { order: [], gone: [] },
      shots: Object.fromEntries(
        Object.entries((job.shots ?? {}) as Values).map(([number, shot]) => [
          number,
          { ...(shot as Values), level: 0 },
        ]),
      ),
      faces: {},
      backdrops: {},
    };
  },
  // Version 2 knew no finish beyond outlines and marks, and showed every photo of the stash.
  2: (job) => ({
    ...job,
    version: 3,
    pick: EVERY_PHOTO,
    list: {},
    style: BARE,
    worn: null,
    ground: null,
    graphics: {},
    texts: {},
  }),
  // Version 3 was asked at every output how to write, and took every printer at its word.
  3: (job) => {
    const sheet = (job.sheet ?? {}) as Values;
    const printer = (sheet.printer ?? {}) as Values;
    return {
      ...job,
      version: 4,
      press: PRESS_4,
      style: { ...(job.style as Values), sharpening: null },
      sheet: {
        ...sheet,
        printer: { ...PLAIN, ...printer, price: { ink: 0, ...(printer.price as Values) } },
      },
    };
  },
  // Version 4 threw away what was set for a kind when the job became another one, and kept names of files and guides
  // in the window.
  4: (job) => ({
    ...job,
    version: 5,
    press: { ...(job.press as Values), naming: USUAL_PRESS.naming },
    guides: { x: [], y: [] },
    aside: {},
  }),
  // Version 5 showed lengths in the reader’s unit and prices in the reader’s money, printed copies of one photo alone, and
  // weighed pixels by their values.
  5: (job) => {
    const sheet = (job.sheet ?? {}) as Values;
    const printer = (sheet.printer ?? {}) as Values;
    const price = { ...(printer.price as Values), currency: SHIPPED_CURRENCY };
    return {
      ...job,
      version: 6,
      unit: "mm",
      ticket: ofOne(job.ticket),
      press: { ...(job.press as Values), light: USUAL_PRESS.light },
      sheet: { ...sheet, printer: { ...printer, price } },
      aside: Object.fromEntries(
        Object.entries((job.aside ?? {}) as Values).map(([kind, aside]) => [
          kind,
          { ...(aside as Values), ticket: ofOne((aside as Values).ticket) },
        ]),
      ),
    };
  },
  // Version 6 named cells, sheets and crops after places in an order, so that they went astray when that changed.
  6: (job) => {
    const stash = Array.isArray(job.stash) ? (job.stash as Values[]) : [];
    const isSingle = (job.ticket as Values | undefined)?.kind === "single";
    return {
      ...job,
      version: 7,
      stash: stash.map((photo, i) => ({ ...photo, number: i + 1 })),
      numbered: stash.length,
      sheet: { ...(job.sheet as Values), facing: (job.sheet as Values | undefined)?.facing ? "right" : null },
      impose: EACH_ITS_SHEET,
      blocks: {},
      ...named6(job, stash),
      graphics: onSheets7(job.graphics, isSingle),
      texts: onSheets7(job.texts, isSingle),
      aside: Object.fromEntries(
        Object.entries((job.aside ?? {}) as Values).map(([kind, aside]) => [
          kind,
          named6(aside as Values, stash),
        ]),
      ),
    };
  },
  // Version 7 mixed what is made with where it is made, and had blocks by hand alone.
  7: ({ press, ...job }) => {
    const { printer, ppi, enlarged, bleed, ...sheet } = (job.sheet ?? {}) as Values;
    const { about, ...target } = (press ?? {}) as Values;
    const blocks = Object.entries((job.blocks ?? {}) as Values);
    return {
      ...job,
      version: 8,
      sheet,
      target: { ...target, printer, ppi, enlarged, bleed },
      about,
      blocks: Object.fromEntries(
        blocks.map(([name, block]) => [name, { stands: "hand", ...(block as Values) }]),
      ),
    };
  },
  // Version 8 kept the head of a photo in the job, one alone, and cropped around the middle of photos.
  8: ({ faces, ...job }) => ({
    ...job,
    version: 9,
    heads: Object.fromEntries(
      Object.entries((faces ?? {}) as Values).map(([photo, face]) => [
        photo,
        [{ pose: null, ...(face as Values) }],
      ]),
    ),
    crop: "middle",
  }),
  // Version 9 had a number of pieces for everyone, and forgot what a list called a photo that was not there yet.
  9: (job) => ({ ...job, version: 10 }),
  // Version 10 did not know what a job was made at.
  10: (job) => ({ ...job, version: 11, occasion: null }),
  11: (job) => {
    const target = job.target as Values;
    return {
      ...job,
      version: 12,
      target: { ...target, print: { ...(target.print as Values), cuts: false } },
    };
  },
  // Version 12 had no artwork with windows.
  12: (job) => ({ ...job, version: 13 }),
  // Version 13 knew no shapes, and stretched artwork by however much it took.
  13: (job) => ({
    ...job,
    version: 14,
    ticket: ticket14(job.ticket),
    shapes: {},
    aside: Object.fromEntries(
      Object.entries((job.aside ?? {}) as Record<string, Values>).map(([kind, own]) => [
        kind,
        { ...own, ticket: ticket14(own.ticket) },
      ]),
    ),
  }),
  // Version 14 had no calendar, and no backs of sheets.
  14: (job) => ({
    ...job,
    version: 15,
    calendar: null,
    impose: { ...(job.impose as Values), backs: "upright" },
  }),
  // Version 15 spread no page over several sheets.
  15: (job) => ({ ...job, version: 16, impose: { ...(job.impose as Values), tiles: GLUED } }),
  // Version 16 had no panels, rolls and maps, and printed all sheets.
  16: (job) => ({
    ...job,
    version: 17,
    impose: { ...(job.impose as Values), panels: null, roll: false, map: false },
    making: { only: null, done: {} },
  }),
};

/** Tickets as they are since shapes: strips that may stand where they were brought to, artwork stretched by so much. */
function ticket14(ticket: unknown): unknown {
  const own = ticket as Values | undefined;
  if (own?.kind === "strips") return { ...own, stand: null };
  return own?.kind === "artwork" ? { ...own, stretch: 100 } : own;
}

const ofOne = (ticket: unknown): unknown =>
  (ticket as Values | undefined)?.kind === "copies" ? { ...(ticket as Values), of: "one" } : ticket;

/** Brings a job file of an older version up to this one. Refuses files of other kinds and of newer versions. */
export function migrate(value: unknown): Migration {
  if (typeof value !== "object" || value === null || Array.isArray(value)) {
    return { ok: false, why: "This is not a Wide Quilt job: a job file is a JSON object." };
  }
  let job = value as Values;
  if (job.format !== "wide-quilt-job") {
    return { ok: false, why: "This is not a Wide Quilt job: its “format” is not “wide-quilt-job”." };
  }
  if (typeof job.version !== "number" || !Number.isInteger(job.version) || job.version < 1) {
    return { ok: false, why: "This job file does not say which version it is." };
  }
  if (job.version > JOB_VERSION) {
    return {
      ok: false,
      why: `This job was saved by a newer Wide Quilt (version ${job.version}; this one reads up to ${JOB_VERSION}). Update Wide Quilt to open it.`,
    };
  }
  for (let version = job.version; version < JOB_VERSION; version++) {
    const step = STEPS[version];
    if (!step) return { ok: false, why: `Version ${version} of the job file cannot be read any more.` };
    job = step(job);
  }
  return { ok: true, value: job };
}
