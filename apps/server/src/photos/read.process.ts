/** A process that reads what comes from outside: photos, graphics, profiles. It may die of it; nothing else does. */
import { readFile, stat, writeFile } from "node:fs/promises";
import { readUsableProfile } from "@wide-quilt/colour";
import {
  developHeic,
  inspectPhoto,
  lightOf,
  makePreviews,
  movingPicture,
  photoHash,
  pictureInRaw,
  PREVIEW_SIZES,
  readAbout,
  takeGraphic,
  widened,
  windowsIn,
  withBackdrop,
  type ArtFound,
  writeForNow,
  writeWhole,
} from "@wide-quilt/painters";
import type { Light, PhotoRecord } from "@wide-quilt/core";
import { serve } from "../processes/child.ts";
import type {
  ReadArtwork,
  ReadBackdrop,
  ReadGraphic,
  ReadPhoto,
  TakenFile,
  WidenArtwork,
} from "./reading.ts";

serve({
  photo: async ({ path, developed, previews }: ReadPhoto): Promise<PhotoRecord> => {
    const picture = await pictureInRaw(path);
    if (picture) {
      await writeWhole(developed, (to) => writeFile(to, picture));
      const light = await keepPreviews(developed, previews);
      const [shown, { size: bytes }, about] = await Promise.all([
        inspectPhoto(developed),
        stat(path),
        readAbout(path),
      ]);
      return { ...shown, ...about, format: "raw", bytes, light };
    }
    const record = await inspectPhoto(path);
    if (record.format !== "heic") {
      return { ...record, light: await keepPreviews(path, previews) };
    }
    // A picture that painters read is kept beside a file that they do not.
    const jpeg = await developHeic(path);
    await writeWhole(developed, (to) => writeFile(to, jpeg));
    const light = await keepPreviews(developed, previews);
    const { width, height } = await inspectPhoto(developed);
    return { ...record, width, height, orientation: 1, light };
  },
  record: ({ path }: { path: string }) => inspectPhoto(path),
  moving: ({ paths }: { paths: string[] }) => movingPicture(paths),
  previews: async ({ path, previews }: Pick<ReadPhoto, "path" | "previews">): Promise<void> =>
    void (await keepPreviews(path, previews)),
  backdrop: async ({ photo, mask, fill, to }: ReadBackdrop): Promise<string> => {
    const jpeg = await withBackdrop(photo, mask, fill);
    await writeFile(to, jpeg);
    return photoHash(jpeg);
  },
  graphic: async ({ path, to }: ReadGraphic): Promise<TakenFile> => {
    const { file, ...about } = await takeGraphic(await readFile(path));
    await writeFile(to, file);
    return { ...about, id: photoHash(file) };
  },
  windows: async ({ path, search }: ReadArtwork): Promise<ArtFound> =>
    windowsIn(await readFile(path), search),
  widened: async ({ path, more, to }: WidenArtwork): Promise<TakenFile> => {
    const { file, ...about } = await takeGraphic(await widened(await readFile(path), more));
    await writeFile(to, file);
    return { ...about, id: photoHash(file) };
  },
  profile: ({ path }: { path: string }) => readFile(path).then(readUsableProfile),
});

/** Makes and keeps the previews of a photo, and tells how light it is. */
async function keepPreviews(path: string, previews: ReadPhoto["previews"]): Promise<Light> {
  const made = await makePreviews(path);
  const [light] = await Promise.all([
    lightOf(made[320]),
    ...PREVIEW_SIZES.map((size) => writeForNow(previews[size], made[size])),
  ]);
  return light;
}
