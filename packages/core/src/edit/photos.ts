import type { Job, PhotoId, PhotoRef, Shot } from "../job/index.ts";
import { kindOf } from "../kinds/index.ts";
import type { PhotoMarks } from "../stash/index.ts";

/** Adds photos at the end, each once. Cells that have no photo of their own show them in order. */
export function addPhotos(job: Job, photos: readonly PhotoRef[]): Job {
  const known = new Set(job.stash.map((photo) => photo.id));
  const added = photos.filter(({ id }) => !known.has(id) && known.add(id));
  if (added.length === 0) return job;
  return renewed({ ...job, stash: [...job.stash, ...added], ticket: kindOf(job).withPhotos(job, added) });
}

/** Takes a photo out of the stash and out of every cell that shows it. */
export function removePhoto(job: Job, photo: PhotoId): Job {
  const at = job.stash.findIndex(({ id }) => id === photo);
  const stash = job.stash.filter(({ id }) => id !== photo);
  const ticket = kindOf(job).withoutPhoto(job, photo, null);
  const own = shotsWhere(job, (shot) => shot.photo !== photo);
  if (at === -1 || !kindOf(job).followsStash(job))
    return renewed({ ...without(job, photo), stash, ticket, shots: own });
  // The cell goes with its photo, and what was set by hand on later ones moves up with them.
  const numbers = new Map(job.stash.map((_, i) => [i + 1, i < at ? i + 1 : i === at ? null : i]));
  return renewed(renumbered({ ...without(job, photo), stash, ticket, shots: own }, numbers));
}

export function movePhoto(job: Job, photo: PhotoId, to: number): Job {
  const at = job.stash.findIndex(({ id }) => id === photo);
  if (at === -1) return job;
  const order = job.stash.map((_, i) => i).filter((i) => i !== at);
  order.splice(to, 0, at);
  const moved = { ...job, stash: order.map((i) => job.stash[i]!) };
  if (!kindOf(job).followsStash(job)) return renewed(moved);
  return renewed(renumbered(moved, new Map(order.map((old, i) => [old + 1, i + 1]))));
}

/** Puts another file in a photo's place, in the stash and in every cell. */
export function relinkPhoto(job: Job, photo: PhotoId, to: PhotoRef): Job {
  const already = job.stash.some(({ id }) => id === to.id && id !== photo);
  const stash = already
    ? job.stash.filter(({ id }) => id !== photo)
    : job.stash.map((known) => (known.id === photo ? { ...known, ...to } : known));
  const shots = Object.fromEntries(
    Object.entries(job.shots).map(([number, shot]) => [
      number,
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
  return renewed({ ...without({ ...job, list }, photo), stash, shots, ticket, graphics });
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

/** The job without what was said of a photo: where the head is in it, what stands behind, where it is laid over. */
function without(job: Job, photo: PhotoId): Job {
  const { [photo]: _face, ...faces } = job.faces;
  const { [photo]: _backdrop, ...backdrops } = job.backdrops;
  const { [photo]: _said, ...list } = job.list;
  const graphics = Object.fromEntries(
    Object.entries(job.graphics).filter(([, { of }]) => of.kind !== "photo" || of.photo !== photo),
  );
  return { ...job, faces, backdrops, list, graphics };
}

/** An arrangement of other photos than these is looked for anew. */
function renewed(job: Job): Job {
  const { ticket } = job;
  return ticket.kind === "collage" && ticket.arrangement !== null
    ? { ...job, ticket: { ...ticket, arrangement: null } }
    : job;
}

const shotsWhere = (job: Job, keeps: (shot: Shot) => boolean): Job["shots"] =>
  Object.fromEntries(Object.entries(job.shots).filter(([, shot]) => keeps(shot)));

/** Shots and the cells of their number under other numbers; those that have none any more go. */
function renumbered(job: Job, numbers: ReadonlyMap<number, number | null>): Job {
  // Further cells of a photo have its number before theirs: “3-2”.
  const to = (key: string): string | null => {
    const [number, ...rest] = key.split("-");
    const next = numbers.get(Number(number));
    return next === undefined ? key : next === null ? null : [next, ...rest].join("-");
  };
  const moved = <T>(entries: Record<string, T>): Record<string, T> =>
    Object.fromEntries(
      Object.entries(entries).flatMap(([number, value]): [string, T][] => {
        const next = to(number);
        return next === null ? [] : [[next, value]];
      }),
    );
  return { ...job, shots: moved(job.shots), cells: moved(job.cells) };
}
