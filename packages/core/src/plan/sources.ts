import type { FieldSource } from "../finish/words/index.ts";
import type { Job, PhotoRef } from "../job/index.ts";
import type { Photos } from "../photo/record/index.ts";
import type { PhotoId } from "../schema/index.ts";
import type { CellPlan } from "./types.ts";

/** Which page it is, and on which sheet. */
export type Place = Pick<FieldSource, "page" | "pages" | "sheet" | "sheets" | "shows">;

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
    ...(job.occasion && {
      event: job.occasion.event,
      set: job.occasion.set,
      person: job.occasion.person,
      ...(job.occasion.at !== null && { exposure: { takenAt: job.occasion.at } }),
    }),
    ...place,
  });
  /** Words of a page: its day is the occasion’s, or that of the first of its photos that has one. */
  const ofPage = (cells: readonly Pick<CellPlan, "photo">[], place: Place): FieldSource => {
    const page = sheetOnly(place);
    if (page.exposure) return page;
    const dated = cells.find(({ photo }) => photo !== null && photos[photo]?.exposure?.takenAt);
    const takenAt = dated && photos[dated.photo!]!.exposure!.takenAt;
    return takenAt ? { ...page, exposure: { takenAt } } : page;
  };
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
      exposure: photos[photo]?.exposure?.takenAt
        ? photos[photo].exposure
        : { ...photos[photo]?.exposure, ...base.exposure },
      frame: ref.number,
      own: job.list[photo] ?? {},
    };
  };
  return { ofPage, ofPhoto, sheetOnly };
}
