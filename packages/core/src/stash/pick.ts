import type { Job } from "../job/index.ts";
import type { Photos } from "../plan/index.ts";
import type { PhotoRef, Pick } from "./schema.ts";

/** A photo that is shown, and its place in the stash, from 1. */
export interface PickedPhoto {
  photo: PhotoRef;
  at: number;
}

type Compare = (a: PickedPhoto, b: PickedPhoto) => number;

/** "IMG_9" before "IMG_10", the same everywhere. */
const names = new Intl.Collator("en", { numeric: true, sensitivity: "base" });

/** The photos of the stash that are picked, sorted. Without the photos’ records “taken” is the order of the stash. */
export function pickedPhotos(
  { stash, pick }: { stash: Job["stash"]; pick: Pick },
  photos: Photos,
): PickedPhoto[] {
  const picked = stash.map((photo, i) => ({ photo, at: i + 1 })).filter(({ photo }) => isPicked(pick, photo));
  const taken = ({ photo }: PickedPhoto) => photos[photo.id]?.exposure?.takenAt ?? "9999";
  const compare: Record<Pick["by"], Compare> = {
    order: (a, b) => a.at - b.at,
    name: (a, b) => names.compare(a.photo.name, b.photo.name),
    taken: (a, b) => (taken(a) < taken(b) ? -1 : taken(a) > taken(b) ? 1 : 0),
    stars: (a, b) => (b.photo.stars ?? 0) - (a.photo.stars ?? 0),
  };
  picked.sort((a, b) => compare[pick.by](a, b) || a.at - b.at);
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
