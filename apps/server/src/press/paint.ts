import { stat, writeFile } from "node:fs/promises";
import { coarse, type SheetPlan } from "@wide-quilt/core";
import {
  coverage,
  encodeSheet,
  goOn,
  jpegSizes,
  paintFile,
  paintSheet,
  paintSpace,
  writeWhole,
  type OutputColour,
  type Watch,
} from "@wide-quilt/painters";
import { makeRaster } from "./raster.ts";
import type { Painted, PaintTask } from "./task.ts";

/** Quality of the picture that stands in for a file which is not shown as it is. */
const PICTURE_QUALITY = 90;

/** The longer side of the picture that the ink of a drawing is estimated by, in pixels. */
const INK_SIDE = 700;

/** Paints a task's files, each whole or not at all. */
export async function paint(task: PaintTask, watch: Watch): Promise<Painted> {
  const { sheets, files, press, title } = task;
  const painted: Painted = { files: [], coverage: [], sizes: [] };
  if (task.weigh) return { ...painted, sizes: await weighed(task, task.weigh, watch) };
  const setup = { press, title, colour: colourOf(task), date: new Date(task.date), files: fileOf(task) };
  const own = files.length === 1 ? watch : { cancelled: watch.cancelled };
  let done = 0;
  for (const { path, sheets: count } of files) {
    await goOn(watch);
    const covered = await paintFile(sheets.slice(done, done + count), path, setup, own);
    if (covered !== null) painted.coverage.push(covered);
    else if (task.inks) painted.coverage.push(...(await inksOf(sheets.slice(done, done + count), task, own)));
    if (task.raster) await makeRaster(path, sheets[done]!.ppi, task.raster);
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

/** How much of each sheet of a drawing the inks cover, by a small picture of it. */
async function inksOf(sheets: readonly SheetPlan[], task: PaintTask, watch: Watch): Promise<number[]> {
  const covered: number[] = [];
  for (const sheet of sheets) {
    const small = coarse(sheet, INK_SIDE);
    covered.push(coverage(await paintSheet(small, fileOf(task), watch, { medium: task.press.medium })));
  }
  return covered;
}

async function weighed(task: PaintTask, qualities: readonly number[], watch: Watch): Promise<number[]> {
  const [sheet] = task.sheets;
  const space = await paintSpace(colourOf(task));
  const pixels = await paintSheet(sheet!, fileOf(task), watch, { space, medium: task.press.medium });
  return jpegSizes(pixels, sheet!.ppi, task.press.file, qualities);
}

const colourOf = ({ press, profile }: PaintTask): OutputColour | null =>
  press.colour && profile ? { ...press.colour, profile: Buffer.from(profile) } : null;

const fileOf =
  ({ photos }: PaintTask) =>
  (photo: string) => {
    const path = photos[photo];
    if (!path) throw new Error(`A photo of this job is not here (${photo.slice(0, 8)}…).`);
    return path;
  };
