import { COMPUTED_SHOT } from "./fresh.ts";
import type { JobEdit } from "./editSchema.ts";
import type { Job, PhotoId, PhotoRef, Shot } from "./schema.ts";

/** The shot number that cells have when nothing was set by hand. */
export const FIRST_SHOT = 1;

/** The shot number of a cell. */
export const shotOfCell = (job: Job, cell: string): number => job.cells[cell]?.shot ?? FIRST_SHOT;

/** How the cells of a shot show their photo. A number never used before is empty. */
export const shotByNumber = (job: Job, shot: number): Shot =>
  job.shots[String(shot)] ?? { photo: null, ...COMPUTED_SHOT };

/** Whether a shot differs from what would be computed for its photo. */
export const isByHand = (shot: Shot): boolean =>
  shot.fit !== COMPUTED_SHOT.fit ||
  shot.turn !== COMPUTED_SHOT.turn ||
  shot.scale !== COMPUTED_SHOT.scale ||
  shot.centre.x !== COMPUTED_SHOT.centre.x ||
  shot.centre.y !== COMPUTED_SHOT.centre.y;

/** The job after one change. The job given is left as it is. */
export function applyEdit(job: Job, edit: JobEdit): Job {
  switch (edit.do) {
    case "rename":
      return { ...job, name: edit.name };
    case "ticket":
      return { ...job, ticket: { ...job.ticket, ...edit.change } };
    case "sheet":
      return { ...job, sheet: { ...job.sheet, ...edit.change } };
    case "finish":
      return { ...job, finish: { ...job.finish, ...edit.change } };
    case "add photos":
      return addPhotos(job, edit.photos);
    case "remove photo":
      return removePhoto(job, edit.photo);
    case "relink photo":
      return relinkPhoto(job, edit.photo, edit.to);
    case "shot":
      return withShot(job, edit.shot, { ...shotByNumber(job, edit.shot), ...edit.change });
    case "put in all":
      return {
        ...job,
        shots: { [FIRST_SHOT]: swapped(shotByNumber(job, FIRST_SHOT), edit.photo) },
        cells: {},
      };
    case "put in one":
      return putInOne(job, edit.cell, edit.photo);
    case "back to computed":
      return backToComputed(job, edit.cell);
  }
}

/** Adds photos at the end, each once. The first photos of a job go into its cells by themselves. */
function addPhotos(job: Job, photos: PhotoRef[]): Job {
  const known = new Set(job.stash.map((photo) => photo.id));
  const added = photos.filter(({ id }) => !known.has(id) && known.add(id));
  const first = added[0];
  if (!first) return job;
  const grown = { ...job, stash: [...job.stash, ...added] };
  const shot = shotByNumber(job, FIRST_SHOT);
  return shot.photo === null ? withShot(grown, FIRST_SHOT, { ...shot, photo: first.id }) : grown;
}

/** Takes a photo out of the stash and out of every cell that shows it. */
function removePhoto(job: Job, photo: PhotoId): Job {
  const shots = Object.fromEntries(
    Object.entries(job.shots).map(([number, shot]) => [
      number,
      shot.photo === photo ? { photo: null, ...COMPUTED_SHOT } : shot,
    ]),
  );
  return { ...job, stash: job.stash.filter(({ id }) => id !== photo), shots };
}

/** Puts another file in a photo's place, in the stash and in every cell. */
function relinkPhoto(job: Job, photo: PhotoId, to: PhotoRef): Job {
  const already = job.stash.some(({ id }) => id === to.id && id !== photo);
  const stash = already
    ? job.stash.filter(({ id }) => id !== photo)
    : job.stash.map((known) => (known.id === photo ? to : known));
  const shots = Object.fromEntries(
    Object.entries(job.shots).map(([number, shot]) => [
      number,
      shot.photo === photo ? { ...shot, photo: to.id } : shot,
    ]),
  );
  return { ...job, stash, shots };
}

function putInOne(job: Job, cell: string, photo: PhotoId): Job {
  const shot = shotOfCell(job, cell);
  const shared =
    shot === FIRST_SHOT || Object.entries(job.cells).some(([k, c]) => k !== cell && c.shot === shot);
  const own = shared ? firstFreeShot(job) : shot;
  const cells = { ...job.cells, [cell]: { shot: own } };
  return withShot({ ...job, cells }, own, swapped(shotByNumber(job, shot), photo));
}

function backToComputed(job: Job, cell: string): Job {
  const own = job.cells[cell];
  if (!own) {
    return withShot(job, FIRST_SHOT, { photo: shotByNumber(job, FIRST_SHOT).photo, ...COMPUTED_SHOT });
  }
  const cells = { ...job.cells };
  delete cells[cell];
  const stillUsed = Object.values(cells).some(({ shot }) => shot === own.shot);
  const shots = { ...job.shots };
  if (!stillUsed && own.shot !== FIRST_SHOT) delete shots[String(own.shot)];
  return { ...job, cells, shots };
}

const withShot = (job: Job, number: number, shot: Shot): Job => ({
  ...job,
  shots: { ...job.shots, [String(number)]: shot },
});

/** Another photo in a shot: how it sits starts afresh, since a crop belongs to the photo it was made for. */
const swapped = (shot: Shot, photo: PhotoId): Shot =>
  shot.photo === photo ? shot : { photo, ...COMPUTED_SHOT, turn: shot.turn === "suit" ? "suit" : 0 };

function firstFreeShot(job: Job): number {
  let number = FIRST_SHOT + 1;
  while (job.shots[String(number)]) number++;
  return number;
}
