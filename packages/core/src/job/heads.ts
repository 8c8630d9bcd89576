import type { Face } from "../photo/portrait/index.ts";
import type { Photos } from "../photo/record/index.ts";
import type { PhotoId } from "../schema/index.ts";
import type { Job } from "./schema.ts";

const NONE: readonly Face[] = [];

/**
 * The heads in a photo, the largest first: as the job took them along to a file or a run, or as the photo is known now. Whatever has to
 * do with heads asks this.
 */
export const headsIn = (job: Pick<Job, "heads">, photos: Photos, photo: PhotoId): readonly Face[] =>
  job.heads[photo] ?? photos[photo]?.seen?.heads ?? NONE;

/** The job with what is known of its photos’ heads: as it goes into a file or a run, which stay as they are. */
export function withHeads(job: Job, photos: Photos): Job {
  const known = job.stash.flatMap(({ id }): [PhotoId, Face[]][] => {
    const heads = headsIn(job, photos, id);
    return heads.length > 0 || photos[id]?.seen ? [[id, [...heads]]] : [];
  });
  return { ...job, heads: Object.fromEntries(known) };
}
