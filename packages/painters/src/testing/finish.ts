import { writeFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { applyEdit, freshJob, type Job, type JobEdit, type Kind, type SheetPlan } from "@wide-quilt/core";
import { encodeSheet } from "../pixels/encode.ts";
import { paintSheet } from "../pixels/paint.ts";
import { measure, testFolder } from "./samples.ts";

const folder = testFolder();
/** Where a photo or a written file of this test lies. */
export const file = (id: string) => join(folder, id);
export const PPI = 300;
/** Micrometres as pixels of the sheets here. */
export const px = (um: number) => Math.round((um * PPI) / 25_400);

const EXIF = {
  a: ["1/250", "28/5", "400", "85/1", "2026:10:03 07:41:12"],
  b: ["1/1600", "63/10", "640", "400/1", "2026:10:09 15:20:44"],
} as const;

/** Two red photos with exposure data and a grey one. */
export async function makePhotos(): Promise<void> {
  for (const [name, [shutter, aperture, iso, focal, taken]] of Object.entries(EXIF)) {
    await sharp({ create: { width: 600, height: 400, channels: 3, background: "#c80000" } })
      .withExif({
        IFD0: { Make: "Tern", Model: "Field body" },
        IFD2: {
          ExposureTime: shutter,
          FNumber: aperture,
          ISOSpeedRatings: iso,
          FocalLength: focal,
          DateTimeOriginal: taken,
        },
      })
      .jpeg({ quality: 100, chromaSubsampling: "4:4:4" })
      .toFile(file(name));
  }
  await sharp({ create: { width: 1500, height: 1500, channels: 3, background: "#c8c8c8" } })
    .png()
    .toFile(file("grey"));
}

/** What is known of the photos. */
export const PHOTOS = {
  a: { width: 600, height: 400 },
  b: { width: 600, height: 400 },
  grey: { width: 1500, height: 1500 },
};

/** A job of a kind with some of the photos, without marks. */
export function job(kind: Kind, photos: readonly string[], ...edits: JobEdit[]): Job {
  const start: JobEdit[] = [
    { do: "add photos", photos: photos.map((id) => ({ id, name: `${id}.jpg` })) },
    { do: "finish", change: { marks: { ...freshJob(kind, "x").finish.marks, kind: "none" } } },
  ];
  return [...start, ...edits].reduce(applyEdit, freshJob(kind, "Finish"));
}

/** Writes a sheet as PNG. */
export async function png(plan: SheetPlan, name: string): Promise<string> {
  const path = file(`${name}.png`);
  writeFileSync(path, await encodeSheet(await paintSheet(plan, file), PPI, { format: "png" }));
  return path;
}

/** The box of everything that is not the colour of the picture's corner: width, height, left, top (ImageMagick). */
export const inkIn = (path: string, fuzz = "10%") => {
  const [, ...figures] = /(\d+)x(\d+)\+(\d+)\+(\d+)/.exec(
    measure("/usr/bin/convert", path, "-bordercolor", "white", "-fuzz", fuzz, "-format", "%@", "info:"),
  )!;
  return figures.map(Number) as [number, number, number, number];
};

/** The colour of a pixel as ImageMagick says it. */
export const colourAt = (path: string, x: number, y: number) =>
  measure("/usr/bin/convert", path, "-format", `%[pixel:p{${x},${y}}]`, "info:");
