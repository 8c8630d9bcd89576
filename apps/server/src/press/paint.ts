import { stat, writeFile } from "node:fs/promises";
import { isDrawing, type SheetPlan } from "@wide-quilt/core";
import {
  coverage,
  encodeSheet,
  goOn,
  jpegSizes,
  paintPdf,
  paintSheet,
  paintSpace,
  paintSvg,
  placeOf,
  writeWhole,
  type FileAbout,
  type OutputColour,
  type Watch,
} from "@wide-quilt/painters";
import type { Painted, PaintTask } from "./task.ts";

/** Quality of the picture that stands in for a file which is not shown as it is. */
const PICTURE_QUALITY = 90;

/** Paints a task's files, each whole or not at all. */
export async function paint(task: PaintTask, watch: Watch): Promise<Painted> {
  const { sheets, files, press } = task;
  const painted: Painted = { files: [], coverage: [], sizes: [] };
  if (task.weigh) return { ...painted, sizes: await weighed(task, task.weigh, watch) };
  const own = files.length === 1 ? watch : { cancelled: watch.cancelled };
  let done = 0;
  for (const { path, sheets: count } of files) {
    await goOn(watch);
    const those = sheets.slice(done, done + count);
    if (isDrawing(press.file.format)) await draw(task, press.file.format, those, path, own);
    else painted.coverage.push(await paintPixels(task, those[0]!, path, own));
    done += count;
    if (files.length > 1) watch.progress?.({ what: "sheets", done, of: sheets.length });
  }
  if (task.picture) {
    const pixels = await paintSheet(sheets[0]!, fileOf(task), watch, { medium: press.medium });
    painted.coverage.push(coverage(pixels));
    const file = await encodeSheet(pixels, sheets[0]!.ppi, { format: "jpeg", quality: PICTURE_QUALITY });
    await writeWhole(task.picture, (temporary) => writeFile(temporary, file));
  }
  painted.files = await Promise.all(files.map(async ({ path }) => ({ bytes: (await stat(path)).size })));
  return painted;
}

async function draw(
  task: PaintTask,
  format: "pdf" | "svg",
  sheets: readonly SheetPlan[],
  path: string,
  watch: Watch,
): Promise<void> {
  const { medium, photoPpi, about: asked } = task.press;
  const options = { about: aboutOf(task), medium, photoPpi, keepPlace: asked.keepPlace };
  await writeWhole(path, (to) =>
    format === "pdf"
      ? paintPdf(sheets, fileOf(task), to, { ...options, colour: colourOf(task) }, watch)
      : paintSvg(sheets[0]!, fileOf(task), to, options, watch),
  );
}

async function paintPixels(task: PaintTask, sheet: SheetPlan, path: string, watch: Watch): Promise<number> {
  const { file, medium, about } = task.press;
  const deep = file.depth === 16 && file.format !== "jpeg";
  const space = await paintSpace(colourOf(task), deep ? 16 : 8);
  const pixels = await paintSheet(sheet, fileOf(task), watch, { space, medium });
  await goOn(watch);
  const place = about.keepPlace ? await onlyPlace(task, sheet) : null;
  const written = await encodeSheet(
    pixels,
    sheet.ppi,
    { ...file, format: file.format as "jpeg" },
    { ...aboutOf(task), place },
  );
  await goOn(watch);
  await writeWhole(path, (temporary) => writeFile(temporary, written));
  return coverage(pixels);
}

async function weighed(task: PaintTask, qualities: readonly number[], watch: Watch): Promise<number[]> {
  const [sheet] = task.sheets;
  const space = await paintSpace(colourOf(task));
  const pixels = await paintSheet(sheet!, fileOf(task), watch, { space, medium: task.press.medium });
  return jpegSizes(pixels, sheet!.ppi, task.press.file, qualities);
}

const colourOf = ({ press, profile }: PaintTask): OutputColour | null =>
  press.colour && profile ? { ...press.colour, profile: Buffer.from(profile) } : null;

const aboutOf = ({ press: { about }, title, date }: PaintTask): FileAbout => ({
  title: about.title === "" ? title : about.title,
  creator: about.creator,
  copyright: about.copyright,
  date: new Date(date),
  place: null,
});

/** Where a sheet's photo was taken, when it shows just one. */
async function onlyPlace(task: PaintTask, { cells }: SheetPlan): Promise<FileAbout["place"]> {
  const photos = new Set(cells.flatMap(({ photo }) => photo ?? []));
  const [only] = photos;
  return only !== undefined && photos.size === 1 ? placeOf(fileOf(task)(only)) : null;
}

const fileOf =
  ({ photos }: PaintTask) =>
  (photo: string) => {
    const path = photos[photo];
    if (!path) throw new Error(`A photo of this job is not here (${photo.slice(0, 8)}…).`);
    return path;
  };
