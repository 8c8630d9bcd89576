import { withDayPhoto } from "../calendar/index.ts";
import type { CellByHand, Job, NewPhoto, PhotoRef } from "../job/index.ts";
import type { PhotoMarks } from "../job/stash/index.ts";
import { kindOf, peopleTicket, withPhoto } from "../kinds/index.ts";
import { COMPUTED_SHOT, isByHand } from "../photo/crop/index.ts";
import { numberedShot, photoNumber, photoShot, type PhotoId } from "../schema/index.ts";
import { withoutShown } from "./exchange.ts";
import { renewed } from "./renew.ts";

/** Adds photos at the end, each once and with a number of its own. Where photos come by themselves they come too. */
export function addPhotos(job: Job, photos: readonly NewPhoto[]): Job {
  const { next, added } = stashed(job, photos);
  return added.length === 0 ? job : renewed({ ...next, ticket: kindOf(job).withPhotos(job, added) });
}

/** The job with photos at the end of its stash, each once; nothing shows them yet. */
function stashed(job: Job, photos: readonly NewPhoto[]): { next: Job; added: PhotoRef[] } {
  const known = new Set(job.stash.map((photo) => photo.id));
  const fresh = photos.filter(({ id }) => !known.has(id) && known.add(id));
  const added = fresh.map((photo, i): PhotoRef => ({ ...photo, number: job.numbered + 1 + i }));
  const next = { ...job, stash: [...job.stash, ...added], numbered: job.numbered + added.length };
  return { next, added };
}

/**
 * A photo that was taken of one person of the job: it is theirs, cropped anew by their rule, and what they had before leaves
 * the stash unless somebody else is shown by it. In a job without such a person it is a photo like any other.
 */
export function takePhoto(job: Job, photo: NewPhoto, shot: number): Job {
  const ticket = peopleTicket(job);
  const person = ticket?.people.find((one) => one.shot === shot);
  if (!ticket || !person) return addPhotos(job, [photo]);
  const people = ticket.people.map((one) => (one === person ? withPhoto(one, photo.id) : one));
  const { [numberedShot(shot)]: _before, ...shots } = job.shots;
  const taken = renewed({ ...stashed(job, [photo]).next, ticket: { ...ticket, people }, shots });
  const before = person.photo;
  const isShown = before === null || people.some((one) => one.photo === before);
  return isShown ? taken : removePhoto(taken, before);
}

/**
 * Takes a photo out of the stash and out of every cell that shows it. What was set by hand for the photo is kept under its
 * name, for the check to tell of and to hand on.
 */
export function removePhoto(job: Job, photo: PhotoId): Job {
  const ref = job.stash.find(({ id }) => id === photo);
  if (!ref) return job;
  const shots = Object.fromEntries(
    Object.entries(withoutShown(job, ref)).flatMap(([name, shot]) => {
      if (name === photoShot(ref.number)) return isByHand(shot) ? [[name, shot]] : [];
      if (shot.photo !== photo) return [[name, shot]];
      // In the place of another photo nothing is left but that photo; a numbered shot was of the photo alone.
      return photoNumber(name) === null ? [] : [[name, { photo: null, ...COMPUTED_SHOT }]];
    }),
  );
  const cells = Object.fromEntries(
    Object.entries(job.cells).flatMap(([name, cell]): [string, CellByHand][] => {
      if (photoNumber(name) !== ref.number) return [[name, cell]];
      const { gone: _gone, ...own } = cell;
      return own.place || own.style ? [[name, own]] : [];
    }),
  );
  return renewed({
    ...without(job, photo),
    stash: job.stash.filter((one) => one !== ref),
    ticket: kindOf(job).withoutPhoto(job, photo, null),
    calendar: withDayPhoto(job.calendar, photo, null),
    shots,
    cells,
  });
}

export function movePhoto(job: Job, photo: PhotoId, to: number): Job {
  const at = job.stash.findIndex(({ id }) => id === photo);
  if (at === -1) return job;
  return renewed({ ...job, stash: job.stash.toSpliced(at, 1).toSpliced(to, 0, job.stash[at]!) });
}

/** Puts another file in a photo’s place, in the stash and in every cell: the photo keeps its number, and what is named so. */
export function relinkPhoto(job: Job, photo: PhotoId, to: NewPhoto): Job {
  if (photo !== to.id && job.stash.some(({ id }) => id === to.id)) {
    // Both are one photo from now on; the other’s own place and crop stay as they are.
    const removed = removePhoto(job, photo);
    const shots = Object.fromEntries(
      Object.entries(job.shots)
        .filter(([name, shot]) => shot.photo === photo && photoNumber(name) === null)
        .map(([name, shot]) => [name, { ...shot, photo: to.id }]),
    );
    const next = { ...removed, shots: { ...removed.shots, ...shots } };
    return {
      ...next,
      ticket: kindOf(job).withoutPhoto(job, photo, to),
      calendar: withDayPhoto(job.calendar, photo, to.id),
    };
  }
  const stash = job.stash.map((one) => (one.id === photo ? { ...one, ...to } : one));
  const shots = Object.fromEntries(
    Object.entries(job.shots).map(([name, shot]) => [
      name,
      shot.photo === photo ? { ...shot, photo: to.id } : shot,
    ]),
  );
  const ticket = kindOf(job).withoutPhoto(job, photo, to);
  // What a list says is of the picture, not of its file; so is where it lies behind others.
  const list = photo in job.list ? { ...job.list, [to.id]: job.list[photo]! } : job.list;
  const graphics = Object.fromEntries(
    Object.entries(job.graphics).map(([name, graphic]) => [
      name,
      graphic.of.kind === "photo" && graphic.of.photo === photo
        ? { ...graphic, of: { ...graphic.of, photo: to.id } }
        : graphic,
    ]),
  );
  const calendar = withDayPhoto(job.calendar, photo, to.id);
  return renewed({ ...without({ ...job, list }, photo), stash, shots, ticket, graphics, calendar });
}

/** Says something of photos: their ratings, tags, folders. */
export function markPhotos(
  job: Job,
  photos: readonly PhotoId[],
  change: (photo: PhotoRef) => Partial<PhotoMarks>,
): Job {
  const those = new Set(photos);
  return {
    ...job,
    stash: job.stash.map((photo) => (those.has(photo.id) ? { ...photo, ...change(photo) } : photo)),
  };
}

export const tagPhotos = (job: Job, photos: readonly PhotoId[], tag: string, on: boolean): Job =>
  markPhotos(job, photos, ({ tags = [] }) => {
    const others = tags.filter((one) => one !== tag);
    return { tags: on ? [...others, tag] : others };
  });

/** The job without what was said of a photo: where heads are in it, what stands behind, where it is laid over. */
function without(job: Job, photo: PhotoId): Job {
  const { [photo]: _heads, ...heads } = job.heads;
  const { [photo]: _backdrop, ...backdrops } = job.backdrops;
  const { [photo]: _said, ...list } = job.list;
  const graphics = Object.fromEntries(
    Object.entries(job.graphics).filter(([, { of }]) => of.kind !== "photo" || of.photo !== photo),
  );
  return { ...job, heads, backdrops, list, graphics };
}
