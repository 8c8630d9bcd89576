import { writeFile } from "node:fs/promises";
import { basename, dirname, extname, join } from "node:path";
import {
  applyEdit,
  arrange,
  check,
  corrected,
  isDrawing,
  kindOf,
  outputFiles,
  type Format,
  type Job,
} from "@wide-quilt/core";
import { BUILT_IN, builtInProfile } from "@wide-quilt/colour";
import {
  encodeSheet,
  NotEncoded,
  outputNames,
  paintPdf,
  paintSheet,
  paintSpace,
  paintSvg,
  UNTITLED,
  writeWhole,
  type OutputColour,
} from "@wide-quilt/painters";
import type { FoundPhotos } from "./photoFolder.ts";
import { Said } from "./said.ts";

export interface RenderOptions {
  /** Ends in .jpg, .jpeg, .png, .tif, .tiff, .pdf or .svg, which decides what is written. */
  out: string;
  /** Left out, as the job has them. */
  ppi?: number;
  quality?: number;
}

const FORMATS: Record<string, Format> = {
  jpg: "jpeg",
  jpeg: "jpeg",
  png: "png",
  tif: "tiff",
  tiff: "tiff",
  pdf: "pdf",
  svg: "svg",
};

/** Writes a job's sheets; several sheets of pixels are numbered files. Gives back the paths. */
export async function render(job: Job, photos: FoundPhotos, options: RenderOptions): Promise<string[]> {
  const { out, ppi, quality } = options;
  const ending = extname(out).slice(1).toLowerCase();
  const format = FORMATS[ending];
  if (!format) {
    throw new Said(`“${out}” must end in .jpg, .png, .tif, .pdf or .svg: that says what to write.`);
  }
  if (photos.missing.length > 0)
    throw new Said(`These photos are not in the folder: ${photos.missing.join(", ")}.`);
  const atPpi = ppi === undefined ? job : applyEdit(job, { do: "sheet", change: { ppi } });
  const file = { ...job.press.file, format, ...(quality !== undefined && { quality }) };
  const wanted = applyEdit(atPpi, { do: "press", change: { file } });
  const colour = colourOf(wanted);
  const planned = arrange(wanted, photos.records);
  const { scale } = wanted.sheet.printer;
  const sheets = kindOf(wanted).measuresPrinter ? planned : planned.map((sheet) => corrected(sheet, scale));
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
  const { about: says, medium, photoPpi } = wanted.press;
  const about = { ...UNTITLED, ...says, title: says.title === "" ? job.name : says.title };
  const drawn = { about, medium, photoPpi, keepPlace: says.keepPlace };
  let done = 0;
  for (const [i, { sheets: count }] of files.entries()) {
    const those = sheets.slice(done, (done += count));
    await writeWhole(paths[i]!, async (to) => {
      if (format === "pdf") return paintPdf(those, fileOf, to, { ...drawn, colour });
      if (isDrawing(format)) return paintSvg(those[0]!, fileOf, to, drawn);
      const space = await paintSpace(colour, format === "jpeg" ? 8 : file.depth);
      const pixels = await paintSheet(those[0]!, fileOf, {}, { space, medium });
      await writeFile(to, await encoded(encodeSheet(pixels, those[0]!.ppi, { ...file, format }, about)));
    });
  }
  return paths;
}

/** A shell has the profiles that come with the program. */
function colourOf({ press: { colour } }: Job): OutputColour | null {
  if (!colour) return null;
  const profile = builtInProfile(colour.profile);
  if (profile) return { ...colour, profile };
  const known = BUILT_IN.map(({ id }) => id).join(", ");
  throw new Said(
    `This job is written for a profile that was added to Wide Quilt, which a shell does not have. Write it from the application, or for one of these: ${known}.`,
  );
}

const encoded = (file: Promise<Buffer>): Promise<Buffer> =>
  file.catch((error: unknown) => {
    throw error instanceof NotEncoded ? new Said(error.message) : error;
  });
