import { writeFile } from "node:fs/promises";
import type { About, Press, SheetPlan } from "@wide-quilt/core";
import type { FileAbout } from "../about/about.ts";
import { paintSpace, type OutputColour } from "../colour/space.ts";
import { paintPdf } from "../pdf/paint.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { placeOf } from "../photo/private.ts";
import { coverage } from "../pixels/coverage.ts";
import { encodeSheet } from "../pixels/encode.ts";
import type { KeptPhotos } from "../pixels/kept.ts";
import { paintSheet } from "../pixels/paint.ts";
import type { StoredPhotos } from "../pixels/stored.ts";
import { goOn, type Watch } from "../progress.ts";
import { paintSvg } from "../svg/paint.ts";
import { writeForNow, writeWhole } from "./atomic.ts";

/** How the sheets of a job become a file. */
export interface FileSetup {
  press: Press;
  /** What stands in it about itself. */
  about: About;
  /** What its colours are written for; null for no colour management. */
  colour: OutputColour | null;
  /** Its title where nothing is said of that. */
  title: string;
  /** Where the first of pages that face each other lies; null where none do. */
  facing?: "left" | "right" | null;
  /** Stands in the file: the same date gives the same bytes. */
  date: Date;
  files: PhotoFiles;
  /** Where decoded photos are kept for the next sheet of pixels; left out, they are not. */
  kept?: KeptPhotos;
  /** Where large photos are decoded to that many sheets show a part of; left out, each sheet decodes them. */
  stored?: StoredPhotos;
  /** Whether it is only passed on: after a power cut it is painted again. */
  forNow?: boolean;
}

/**
 * Writes sheets as one file, as a job's press says, whole or not at all. PDF takes all of them, other formats one.
 * Gives back how much of the sheet the inks cover, null for drawings.
 *
 * Throws Cancelled, NotEncoded, and what painting and writing throw.
 */
export async function paintFile(
  sheets: readonly SheetPlan[],
  path: string,
  setup: FileSetup,
  watch: Watch = {},
): Promise<number | null> {
  const { press, colour, files, facing, kept, stored } = setup;
  const { file, medium, photoPpi, light } = press;
  const { format } = file;
  const about = aboutOf(setup);
  const [sheet] = sheets as [SheetPlan];
  const drawn = { about, medium, photoPpi, light, keepPlace: setup.about.keepPlace };
  switch (format) {
    case "pdf":
      await writeWhole(path, (to) =>
        paintPdf(sheets, files, to, { ...drawn, colour, facing, stored }, watch),
      );
      return null;
    case "svg":
      await writeWhole(path, (to) => paintSvg(sheet, files, to, drawn, watch));
      return null;
    default: {
      const space = await paintSpace(colour, format === "jpeg" ? 8 : file.depth);
      const pixels = await paintSheet(sheet, files, watch, { space, medium, light, kept, stored });
      await goOn(watch);
      const place = setup.about.keepPlace ? await onlyPlace(sheet, files) : null;
      const written = await encodeSheet(pixels, sheet.ppi, { ...file, format }, { ...about, place });
      await goOn(watch);
      if (setup.forNow) await writeForNow(path, written);
      else await writeWhole(path, (to) => writeFile(to, written));
      return coverage(pixels);
    }
  }
}

const aboutOf = ({ about, title, date }: FileSetup): FileAbout => ({
  title: about.title === "" ? title : about.title,
  creator: about.creator,
  copyright: about.copyright,
  date,
  place: null,
});

/** Where a sheet's photo was taken, when it shows just one. */
async function onlyPlace({ cells }: SheetPlan, files: PhotoFiles): Promise<FileAbout["place"]> {
  const photos = new Set(cells.flatMap(({ photo }) => photo ?? []));
  const [only] = photos;
  return only !== undefined && photos.size === 1 ? placeOf(files(only)) : null;
}
