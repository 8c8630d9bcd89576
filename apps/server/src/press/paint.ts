import { stat, writeFile } from "node:fs/promises";
import { encodeSheet, goOn, paintPdf, paintSheet, writeWhole, type Watch } from "@wide-quilt/painters";
import type { SheetPlan } from "@wide-quilt/core";
import type { PaintedFile, PaintTask } from "./task.ts";

/** Quality of the picture that stands in for a file which is not a picture itself. */
const PICTURE_QUALITY = 90;

/** Paints a task's files, each whole or not at all. */
export async function paint(task: PaintTask, watch: Watch): Promise<PaintedFile[]> {
  const { sheets, paths, title, date } = task;
  if (task.format === "pdf") {
    const path = paths[0]!;
    const at = new Date(date);
    await writeWhole(path, (to) => paintPdf(sheets, fileOf(task), to, { title, date: at }, watch));
    if (task.picture) await paintPixels(sheets[0]!, task.picture, task, watch);
  } else {
    for (const [index, sheet] of sheets.entries()) {
      await goOn(watch);
      await paintPixels(
        sheet,
        paths[index]!,
        task,
        sheets.length === 1 ? watch : { cancelled: watch.cancelled },
      );
      if (sheets.length > 1) watch.progress?.({ what: "sheets", done: index + 1, of: sheets.length });
    }
  }
  return Promise.all(paths.map(async (path) => ({ bytes: (await stat(path)).size })));
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
