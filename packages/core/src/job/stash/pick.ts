import type { Photos } from "../../photo/record/index.ts";
import type { Job } from "../index.ts";
import type { PhotoRef, Pick } from "./schema.ts";

type Compare = (a: PhotoRef, b: PhotoRef) => number;

/** "IMG_9" before "IMG_10", the same everywhere. */
const names = new Intl.Collator("en", { numeric: true, sensitivity: "base" });

/** The photos of the stash that are picked, sorted. Without the photos’ records “taken” is the order of the stash. */
export function pickedPhotos(
  { stash, pick }: { stash: Job["stash"]; pick: Pick },
  photos: Photos,
): PhotoRef[] {
  const picked = stash.filter((photo) => isPicked(pick, photo));
  const taken = ({ id }: PhotoRef) => photos[id]?.exposure?.takenAt ?? "9999";
  const compare: Record<Pick["by"], Compare | null> = {
    order: null,
    name: (a, b) => names.compare(a.name, b.name),
    taken: (a, b) => (taken(a) < taken(b) ? -1 : taken(a) > taken(b) ? 1 : 0),
    stars: (a, b) => (b.stars ?? 0) - (a.stars ?? 0),
  };
  // Sorting keeps the order of the stash where two are alike.
  const by = compare[pick.by];
  if (by) picked.sort(by);
  return pick.down ? picked.reverse() : picked;
}

/** Whether a photo is among those that are shown. */
export const isPicked = ({ stars, tag, folder }: Pick, photo: PhotoRef): boolean =>
  (photo.stars ?? 0) >= stars &&
  (tag === null || (photo.tags ?? []).includes(tag)) &&
  (folder === null || (photo.folder ?? "") === folder);

/** Whether some photos of the stash are left out. */
export const leavesOut = ({ stars, tag, folder }: Pick): boolean =>
  stars > 0 || tag !== null || folder !== null;
