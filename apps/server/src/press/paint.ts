import { existsSync } from "node:fs";
import { stat, writeFile } from "node:fs/promises";
import { deserialize } from "node:v8";
import { arrange, coarse, facingIn, type SheetName, type SheetPlan } from "@wide-quilt/core";
import {
  coverage,
  encodeSheet,
  jpegSizes,
  KeptPhotos,
  NotEncoded,
  paintArtwork,
  paintFile,
  paintSheet,
  paintSpace,
  StoredPhotos,
  writeWhole,
  type OutputColour,
  type Watch,
} from "@wide-quilt/painters";
import { DataFolder } from "../data/folder.ts";
import { Problem } from "../safety/problem.ts";
import { sheetsToWrite } from "./planning.ts";
import { makeRaster } from "./raster.ts";
import type {
  LookTask,
  PackedPlan,
  PaintedPart,
  PaintPart,
  PaintSetup,
  Planned,
  PrepareTask,
  WeighTask,
} from "./task.ts";

/** Quality of the picture that stands in for a file which is not shown as it is. */
const PICTURE_QUALITY = 90;
/** The longer side of the picture that the ink of a drawing is estimated by, in pixels. */
const INK_SIDE = 700;

/** Photos of an event’s sets, which come one by one and are printed together, and soon again; in bytes. */
const kept = new KeptPhotos(96e6);

/** Large photos that many sheets show a part of each, until no sheet of them has been painted for a while. */
let stored: StoredPhotos | null = null;
let resting: NodeJS.Timeout | undefined;
const REST = 30_000;

let painting = 0;

/** Paints with the large photos that are decoded already: they are not given back while anybody paints from them. */
async function withStored<T>(root: string, paint: (stored: StoredPhotos) => Promise<T>): Promise<T> {
  clearTimeout(resting);
  painting++;
  try {
    return await paint((stored ??= new StoredPhotos(new DataFolder(root).unfinished)));
  } finally {
    if (--painting === 0) resting = setTimeout(() => void release(), REST).unref();
  }
}

/** Gives the room of photos that were decoded to the disk back, unless somebody paints from them. */
export async function release(): Promise<void> {
  if (painting > 0) return;
  const last = stored;
  stored = null;
  await last?.release();
}

/** Paints what a set of an event shows so far to nowhere, so that little is left to do once its last photo is there. */
export async function prepare({ arriving, ...setup }: PrepareTask): Promise<void> {
  const { format, depth } = setup.job.target.file;
  const space = await paintSpace(colourOf(setup), format === "jpeg" ? 8 : depth);
  const { medium, light } = setup.job.target;
  for (const sheet of sheetsToWrite(setup))
    await paintSheet(sheet, (id) => arriving[id] ?? fileOf(setup)(id), {}, { space, medium, light, kept });
}

/** Paints one file of a run, whole or not at all. */
export async function paintPart(
  setup: PaintSetup,
  sheets: readonly SheetPlan[],
  { path, raster, inks, forNow }: PaintPart,
  watch: Watch,
): Promise<PaintedPart> {
  const covered = await withStored(setup.root, (stored) =>
    paintFile(sheets, path, { ...fileSetup(setup), stored, forNow }, watch),
  );
  const looked = covered === null && inks ? await inksOf(sheets, setup, watch) : [];
  if (raster) await makeRaster(path, sheets[0]!.ppi, raster);
  return { bytes: (await stat(path)).size, coverage: covered === null ? looked : [covered] };
}

/** Paints one sheet to be looked at, and a picture of it where a browser does not show the file. */
export async function paintLook(task: LookTask, watch: Watch): Promise<PaintedPart> {
  const { path, picture, job } = task;
  const plan = unpacked(task.plan);
  const covered = await withStored(task.root, (stored) =>
    paintFile([plan], path, { ...fileSetup(task), stored }, watch),
  );
  const found = covered === null ? [] : [covered];
  if (picture) {
    const { medium, light } = job.target;
    const pixels = await paintSheet(plan, fileOf(task), watch, { medium, light });
    found.push(coverage(pixels));
    const file = await encodeSheet(pixels, plan.ppi, { format: "jpeg", quality: PICTURE_QUALITY });
    await writeWhole(picture, (temporary) => writeFile(temporary, file));
  }
  return { bytes: (await stat(path)).size, coverage: found };
}

/** How many bytes a sheet has at each of some JPEG qualities. */
export async function weigh(task: WeighTask, watch: Watch): Promise<number[]> {
  const { qualities, job } = task;
  const plan = unpacked(task.plan);
  const space = await paintSpace(colourOf(task));
  const { medium, light } = job.target;
  const pixels = await paintSheet(plan, fileOf(task), watch, { space, medium, light });
  return jpegSizes(pixels, plan.ppi, job.target.file, qualities);
}

/** A portrait that is made as a file for an office. */
export interface DigitalTask extends Planned, Pick<PaintSetup, "root"> {
  quality: number;
  /** The most bytes that the file may have; null for any. */
  most: number | null;
}

/** A portrait as a JPEG. Throws a Problem where there is none, or where it cannot be made as small as is asked. */
export async function digital({ job, records, root, quality, most }: DigitalTask): Promise<Uint8Array> {
  const refuse = (why: string) => new Problem(422, "no-file", "Not made", why);
  const [sheet] = sheetsToWrite({ job, records });
  if (!sheet?.cells[0]?.picture) throw refuse("There is no photo of this person yet.");
  const pixels = await paintSheet(sheet, fileOf({ root, job }), {}, { light: job.target.light });
  return encodeSheet(pixels, sheet.ppi, { format: "jpeg", quality, most }).catch((error: unknown) => {
    throw error instanceof NotEncoded ? refuse(error.message) : error;
  });
}

/** The first page of a job as a JPEG, by itself, however many share a sheet. */
export async function firstPage({
  job,
  records,
  root,
}: Planned & Pick<PaintSetup, "root">): Promise<Uint8Array> {
  const page = arrange(job, records)[0]!;
  const pixels = await paintSheet(page, fileOf({ root, job }), {}, { light: job.target.light });
  return encodeSheet(pixels, page.ppi, { format: "jpeg", quality: PICTURE_QUALITY });
}

/** A page of a job that is asked for by its name. */
export interface ArtworkTask extends Planned, Pick<PaintSetup, "root"> {
  page: SheetName;
}

/** What lies in front of a page’s photos, as a PNG with transparency. Throws a Problem where there is nothing. */
export async function artwork({ job, records, root, page }: ArtworkTask): Promise<Uint8Array> {
  const sheets = arrange(job, records);
  const plan = sheets.find(({ id }) => id === page) ?? sheets[0];
  if (!plan || plan.over.length === 0) {
    throw new Problem(422, "no-artwork", "Not made", "Nothing lies in front of the photos of this page yet.");
  }
  return paintArtwork(plan, fileOf({ root, job }));
}

/** How much of each sheet of a drawing the inks cover, by a small picture of it. */
async function inksOf(sheets: readonly SheetPlan[], setup: PaintSetup, watch: Watch): Promise<number[]> {
  const covered: number[] = [];
  for (const sheet of sheets) {
    const small = coarse(sheet, INK_SIDE);
    covered.push(
      coverage(await paintSheet(small, fileOf(setup), watch, { medium: setup.job.target.medium })),
    );
  }
  return covered;
}

const unpacked = (plan: PackedPlan): SheetPlan => deserialize(plan) as SheetPlan;

const fileSetup = (setup: PaintSetup) => ({
  press: setup.job.target,
  about: setup.job.about,
  title: setup.job.name,
  facing: facingIn(setup.job),
  colour: colourOf(setup),
  date: new Date(setup.date),
  files: fileOf(setup),
  ...(setup.job.occasion && { kept }),
});

const colourOf = ({ job: { target }, profile }: PaintSetup): OutputColour | null =>
  target.colour && profile ? { ...target.colour, profile: Buffer.from(profile) } : null;

/** Where the file of a photo or a graphic lies. Throws a sentence that names a photo which is gone. */
function fileOf({ root, job }: Pick<PaintSetup, "root" | "job">): (id: string) => string {
  const folder = new DataFolder(root);
  return (id) => {
    const graphic = folder.graphic(id);
    if (existsSync(graphic)) return graphic;
    const path = folder.readable(id);
    if (existsSync(path)) return path;
    const name = job.stash.find((photo) => photo.id === id)?.name;
    throw new Problem(
      422,
      "photo-gone",
      "A photo is gone",
      name
        ? `The file of “${name}” is not here any more. Put the photo in again, then go on; what is painted is kept.`
        : "A picture of this job is not here any more. Put it in again, then go on; what is painted is kept.",
    );
  };
}
