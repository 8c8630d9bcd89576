import { writeFile } from "node:fs/promises";
import { basename, dirname, extname, join } from "node:path";
import { applyEdit, arrange, check, outputFiles, type Job } from "@wide-quilt/core";
import { encodeSheet, outputNames, paintPdf, paintSheet, paintSvg, writeWhole } from "@wide-quilt/painters";
import type { FoundPhotos } from "./photoFolder.ts";
import { Said } from "./said.ts";

export interface RenderOptions {
  /** Ends in .jpg, .jpeg, .png, .pdf or .svg, which decides what is written. */
  out: string;
  ppi?: number;
  quality: number;
}

/** Writes a job's sheets; several sheets of pixels are numbered files. Gives back the paths. */
export async function render(job: Job, photos: FoundPhotos, options: RenderOptions): Promise<string[]> {
  const { out, ppi, quality } = options;
  const ending = extname(out).slice(1).toLowerCase();
  if (!["jpg", "jpeg", "png", "pdf", "svg"].includes(ending)) {
    throw new Said(`“${out}” must end in .jpg, .png, .pdf or .svg: that says what to write.`);
  }
  if (photos.missing.length > 0)
    throw new Said(`These photos are not in the folder: ${photos.missing.join(", ")}.`);
  const wanted = ppi === undefined ? job : applyEdit(job, { do: "sheet", change: { ppi } });
  const sheets = arrange(wanted, photos.records);
  if (sheets.length === 0)
    throw new Said(check(wanted, photos.records, sheets)[0]?.sentence ?? "There is no sheet.");
  const fileOf = (id: string) => photos.paths[id]!;
  // A name with fields in it is a rule: "[name] [sheet, 3 digits].jpg".
  const asked = basename(out, extname(out));
  const naming = /\[.+\]/.test(asked) ? { rule: asked } : { base: asked };
  const files = outputFiles(wanted, photos.records, sheets, { pages: ending === "pdf", ...naming });
  const names = outputNames(
    files.map(({ name }) => name),
    ending,
    () => false,
  );
  const paths = names.map((name) => join(dirname(out), name));
  const as = ending === "png" ? ({ format: "png" } as const) : ({ format: "jpeg", quality } as const);
  let done = 0;
  for (const [i, { sheets: count }] of files.entries()) {
    const those = sheets.slice(done, (done += count));
    if (ending === "pdf") {
      const about = { title: job.name, date: new Date(0) };
      await writeWhole(paths[i]!, (to) => paintPdf(those, fileOf, to, about));
      continue;
    }
    if (ending === "svg") {
      await writeWhole(paths[i]!, (to) => paintSvg(those[0]!, fileOf, to, job.name));
      continue;
    }
    const file = await encodeSheet(await paintSheet(those[0]!, fileOf), those[0]!.ppi, as);
    await writeWhole(paths[i]!, (to) => writeFile(to, file));
  }
  return paths;
}
