import { stat, writeFile } from "node:fs/promises";
import {
  encodeSheet,
  goOn,
  paintPdf,
  paintSheet,
  paintSvg,
  writeWhole,
  type Watch,
} from "@wide-quilt/painters";
import type { SheetPlan } from "@wide-quilt/core";
import type { PaintedFile, PaintTask } from "./task.ts";

/** Quality of the picture that stands in for a file which is not a picture itself. */
const PICTURE_QUALITY = 90;

/** Paints a task's files, each whole or not at all. */
export async function paint(task: PaintTask, watch: Watch): Promise<PaintedFile[]> {
  const { sheets, files, title, date } = task;
  const own = files.length === 1 ? watch : { cancelled: watch.cancelled };
  let done = 0;
  for (const { path, sheets: count } of files) {
    await goOn(watch);
    const those = sheets.slice(done, done + count);
    if (task.format === "pdf") {
      const at = new Date(date);
      await writeWhole(path, (to) => paintPdf(those, fileOf(task), to, { title, date: at }, own));
    } else if (task.format === "svg") {
      await writeWhole(path, (to) => paintSvg(those[0]!, fileOf(task), to, title, own));
    } else await paintPixels(those[0]!, path, task, own);
    done += count;
    if (files.length > 1) watch.progress?.({ what: "sheets", done, of: sheets.length });
  }
  if (task.picture) await paintPixels(sheets[0]!, task.picture, task, watch);
  return Promise.all(files.map(async ({ path }) => ({ bytes: (await stat(path)).size })));
}

async function paintPixels(sheet: SheetPlan, path: string, task: PaintTask, watch: Watch): Promise<void> {
  const pixels = await paintSheet(sheet, fileOf(task), watch);
  await goOn(watch);
  const as =
    task.format === "png"
      ? ({ format: "png" } as const)
      : ({ format: "jpeg", quality: task.format === "jpeg" ? task.quality : PICTURE_QUALITY } as const);
  const file = await encodeSheet(pixels, sheet.ppi, as);
  await goOn(watch);
  await writeWhole(path, (temporary) => writeFile(temporary, file));
}

const fileOf =
  ({ photos }: PaintTask) =>
  (photo: string) => {
    const path = photos[photo];
    if (!path) throw new Error(`A photo of this job is not here (${photo.slice(0, 8)}…).`);
    return path;
  };
