import { tmpdir } from "node:os";
import { basename, dirname, extname, join } from "node:path";
import {
  applyEdit,
  arrange,
  check,
  facingIn,
  forPrinter,
  outputFiles,
  toWrite,
  type Format,
  type Job,
} from "@wide-quilt/core";
import { BUILT_IN, builtInProfile } from "@wide-quilt/colour";
import { NotEncoded, outputNames, paintFile, StoredPhotos, type OutputColour } from "@wide-quilt/painters";
import type { FoundPhotos } from "./photoFolder.ts";
import { Said } from "./said.ts";

export interface RenderOptions {
  /** Ends in .jpg, .jpeg, .png, .tif, .tiff, .pdf or .svg, which decides what is written. */
  out: string;
  /** Left out, as the job has them. */
  ppi?: number;
  quality?: number;
}

const FORMATS: ReadonlyMap<string, Format> = new Map([
  ["jpg", "jpeg"],
  ["jpeg", "jpeg"],
  ["png", "png"],
  ["tif", "tiff"],
  ["tiff", "tiff"],
  ["pdf", "pdf"],
  ["svg", "svg"],
]);

/** Writes a job's sheets; several sheets of pixels are numbered files. Gives back the paths. */
export async function render(job: Job, photos: FoundPhotos, options: RenderOptions): Promise<string[]> {
  const { out, ppi, quality } = options;
  const ending = extname(out).slice(1).toLowerCase();
  const format = FORMATS.get(ending);
  if (!format) {
    throw new Said(`“${out}” must end in .jpg, .png, .tif, .pdf or .svg: that says what to write.`);
  }
  if (photos.missing.length > 0)
    throw new Said(`These photos are not in the folder: ${photos.missing.join(", ")}.`);
  const atPpi = ppi === undefined ? job : applyEdit(job, { do: "target", change: { ppi } });
  const file = { ...job.target.file, format, ...(quality !== undefined && { quality }) };
  const wanted = applyEdit(atPpi, { do: "target", change: { file } });
  const sheets = forPrinter(wanted, toWrite(wanted, arrange(wanted, photos.records)));
  if (sheets.length === 0)
    throw new Said(check(wanted, photos.records, sheets)[0]?.sentence ?? "There is no sheet.");
  const fileOf = (id: string) => photos.paths[id]!;
  // A name with fields in it is a rule: "[name] [sheet, 3 digits].jpg".
  const asked = basename(out, extname(out));
  const naming = /\[.+\]/.test(asked) ? { rule: asked } : { base: asked };
  const files = outputFiles(wanted, photos.records, sheets, { pages: format === "pdf", ...naming });
  const names = outputNames(
    files.map(({ name }) => name),
    ending,
    () => false,
  );
  const paths = names.map((name) => join(dirname(out), name));
  const setup = {
    press: wanted.target,
    about: wanted.about,
    colour: colourOf(wanted),
    title: job.name,
    facing: facingIn(wanted),
    date: new Date(0),
    files: fileOf,
    stored: new StoredPhotos(tmpdir()),
  };
  let done = 0;
  for (const [i, { sheets: count }] of files.entries())
    await said(paintFile(sheets.slice(done, (done += count)), paths[i]!, setup));
  return paths;
}

/** A shell has the profiles that come with the program. */
function colourOf({ target: { colour } }: Job): OutputColour | null {
  if (!colour) return null;
  const profile = builtInProfile(colour.profile);
  if (profile) return { ...colour, profile };
  const known = BUILT_IN.map(({ id }) => id).join(", ");
  throw new Said(
    `This job is written for a profile that was added to Wide Quilt, which a shell does not have. Write it from the application, or for one of these: ${known}.`,
  );
}

const said = (file: Promise<unknown>): Promise<unknown> =>
  file.catch((error: unknown) => {
    throw error instanceof NotEncoded ? new Said(error.message) : error;
  });
