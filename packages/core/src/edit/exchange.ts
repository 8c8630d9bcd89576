import { shotNamed, type Job } from "../job/index.ts";
import { COMPUTED_SHOT, type Shot } from "../photo/crop/index.ts";
import { photoShot, type PhotoId } from "../schema/index.ts";

/**
 * The job with a photo standing in the place of another that comes by itself, and that one where the first was: every
 * photo still comes once. Crops go along, since they belong to the photo they were made for.
 *
 *     p3 shows c, p7 shows g   ── g to p3 ──▶   p3 shows g, p7 shows c
 */
export function exchanged(job: Job, number: number, photo: PhotoId): Job {
  const own = job.stash.find((ref) => ref.number === number)?.id;
  const from = job.stash.find((ref) => shownBy(job, ref) === photo);
  const at = shotNamed(job, photoShot(number));
  const now = at.photo ?? own;
  if (now === photo || own === undefined) return job;
  const there = from ? shotNamed(job, photoShot(from.number)) : { photo, ...COMPUTED_SHOT };
  const shots = { ...job.shots, [photoShot(number)]: showing(photo, own, there) };
  if (from) shots[photoShot(from.number)] = showing(now!, from.id, at);
  return { ...job, shots };
}

/** The job without a photo in any other’s place; a ring of swapped photos closes around it. */
export function withoutShown(job: Job, { id, number }: { id: PhotoId; number: number }): Job["shots"] {
  const at = shotNamed(job, photoShot(number));
  const shots = { ...job.shots };
  if (at.photo === null) return shots;
  const from = job.stash.find((ref) => ref.number !== number && shownBy(job, ref) === id);
  if (from) shots[photoShot(from.number)] = showing(at.photo, from.id, at);
  // What is left under the photo’s name was made for the one in its place.
  delete shots[photoShot(number)];
  return shots;
}

const shownBy = (job: Job, { id, number }: { id: PhotoId; number: number }): PhotoId =>
  job.shots[photoShot(number)]?.photo ?? id;

/** A shot that shows a photo as another did; null for the photo that it is named after. */
const showing = (photo: PhotoId, own: PhotoId, shot: Shot): Shot => ({
  ...shot,
  photo: photo === own ? null : photo,
});
