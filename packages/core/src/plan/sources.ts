import type { FieldSource } from "../finish/words/index.ts";
import type { Job, PhotoRef } from "../job/index.ts";
import type { Photos } from "../photo/record/index.ts";
import type { PhotoId } from "../schema/index.ts";

/** Which page it is, and on which sheet. */
export type Place = Pick<FieldSource, "page" | "pages" | "sheet" | "sheets">;

/** What the words of a job's cells and sheets are taken from. */
export function fieldSources(job: Job, photos: Photos) {
  // Only when words ask for it: going through thousands of photos is not for every step of a drag.
  let refs: Map<PhotoId, PhotoRef> | null = null;
  const refOf = (photo: PhotoId) => {
    refs ??= new Map(job.stash.map((ref) => [ref.id, ref]));
    return refs.get(photo);
  };
  const sheetOnly = (place: Place): FieldSource => ({
    file: null,
    own: {},
    job: job.name,
    ...place,
  });
  const ofPhoto = (photo: PhotoId | null, place: Place): FieldSource => {
    const ref = photo === null ? undefined : refOf(photo);
    const base = sheetOnly(place);
    if (photo === null || !ref) return base;
    return {
      ...base,
      file: ref.name,
      title: photos[photo]?.title,
      folder: ref.folder,
      stars: ref.stars,
      tags: ref.tags,
      exposure: photos[photo]?.exposure,
      frame: ref.number,
      own: job.list[photo] ?? {},
    };
  };
  return { sheetOnly, ofPhoto };
}
