import {
  COMPUTED_SHOT,
  shotByNumber,
  type CellByHand,
  type Job,
  type PhotoId,
  type Place,
  type Shot,
} from "../job/index.ts";
import { kindOf, layOut, type LaidCell } from "../kinds/index.ts";

/** The computed cells of a job, by key. Which there are, and their shots, does not depend on the photos. */
const laidCells = (job: Job): Map<string, LaidCell> =>
  new Map(layOut(job, {}).sheets.flatMap(({ cells }) => cells.map((cell) => [cell.key, cell])));

const shotOf = (job: Job, key: string): number => job.cells[key]?.shot ?? laidCells(job).get(key)?.shot ?? 1;

const withShot = (job: Job, number: number, shot: Shot): Job => ({
  ...job,
  shots: { ...job.shots, [String(number)]: shot },
});

/** Sets how a shot's photo sits. A crop belongs to the photo it was made for, so that is held fast with it. */
export function setShot(job: Job, number: number, change: Partial<Shot>): Job {
  const shot = shotByNumber(job, number);
  const computed = () => [...laidCells(job).values()].find((cell) => cell.shot === number)?.photo ?? null;
  const photo = change.photo === undefined ? (shot.photo ?? computed()) : change.photo;
  return withShot(job, number, { ...shot, ...change, photo });
}

/** Puts one photo in every cell and forgets what single cells had of their own. */
export function putInAll(job: Job, photo: PhotoId): Job {
  const ticket = kindOf(job).showInAll(job, photo);
  const cells: Record<string, CellByHand> = Object.fromEntries(
    Object.entries(job.cells).flatMap(([key, { place, gone, shot, style }]): [string, CellByHand][] => {
      const own: CellByHand = {
        ...(place && { place }),
        ...(gone && { gone }),
        ...(style && { style }),
        ...(isOwn(key) && { shot }),
      };
      return Object.keys(own).length === 0 ? [] : [[key, own]];
    }),
  );
  const bare = { ...job, cells };
  const numbers = new Set([
    ...[...laidCells(bare).values()].map(({ shot }) => shot),
    ...Object.values(cells).flatMap(({ shot }) => shot ?? []),
  ]);
  const shots = Object.fromEntries(
    [...numbers].map((number) => [String(number), swapped(shotByNumber(job, number), ticket ? null : photo)]),
  );
  return { ...bare, shots, ...(ticket && { ticket: { ...job.ticket, ...ticket } as Job["ticket"] }) };
}

/** Puts a photo in one cell alone: where others share its shot, it gets a shot of its own. */
export function putInOne(job: Job, key: string, photo: PhotoId): Job {
  const laid = laidCells(job);
  const shot = shotOf(job, key);
  const shares = (other: string, number: number) =>
    other !== key && number === shot && job.cells[other]?.gone !== true;
  const shared =
    [...laid].some(([other, cell]) => shares(other, job.cells[other]?.shot ?? cell.shot)) ||
    Object.entries(job.cells).some(([other, cell]) => cell.shot !== undefined && shares(other, cell.shot));
  const own = shared ? freeShot(job, laid) : shot;
  const cells = shared ? { ...job.cells, [key]: { ...job.cells[key], shot: own } } : job.cells;
  return withShot({ ...job, cells }, own, swapped(shotByNumber(job, shot), photo));
}

/** Every photo lies on its side where that shows more of it, whatever it was turned to before; but no head does. */
export function turnToSuit(job: Job): Job {
  const laid = new Map([...laidCells(job).values()].map(({ shot, photo }) => [shot, photo]));
  const own = Object.values(job.cells).flatMap(({ shot }) => shot ?? []);
  const isHead = (shot: number) => {
    const photo = shotByNumber(job, shot).photo ?? laid.get(shot) ?? null;
    return photo !== null && photo in job.faces;
  };
  return [...new Set([...laid.keys(), ...own])]
    .filter((shot) => !isHead(shot))
    .reduce((next, shot) => setShot(next, shot, { turn: "suit" }), job);
}

export const shareShot = (job: Job, keys: readonly string[], shot: number): Job => ({
  ...job,
  cells: { ...job.cells, ...Object.fromEntries(keys.map((key) => [key, { ...job.cells[key], shot }])) },
});

/** The photo of a cell, and how it sits, as the layout has it. */
export function backToComputed(job: Job, key: string): Job {
  const own = job.cells[key];
  const laid = laidCells(job).get(key);
  const shots = { ...job.shots };
  const shot = shotOf(job, key);
  if (own?.shot === undefined || !laid) {
    const { photo } = shotByNumber(job, shot);
    // A photo that was put in all cells stays there; where cells are the photos in order, it goes back to its own.
    if (photo === null || kindOf(job).followsStash(job)) delete shots[String(shot)];
    else shots[String(shot)] = { photo, ...COMPUTED_SHOT };
    return { ...job, shots };
  }
  const { shot: _shot, ...rest } = own;
  const cells: Record<string, CellByHand> = { ...job.cells, [key]: rest };
  if (Object.keys(rest).length === 0) delete cells[key];
  const stillUsed = Object.values(cells).some((cell) => cell.shot === shot);
  if (!stillUsed && shot !== laid.shot) delete shots[String(shot)];
  return { ...job, cells, shots };
}

/** Puts cells where a hand has them. A computed cell keeps its shot, so that it stays what it is without the layout. */
export function placeCells(job: Job, placed: Record<string, { place: Place; shot?: number }>): Job {
  const cells = { ...job.cells };
  for (const [key, { place, shot }] of Object.entries(placed)) {
    const own = cells[key];
    cells[key] = { ...own, shot: own?.shot ?? shot ?? shotOf(job, key), place };
  }
  return { ...job, cells };
}

export function unplaceCells(job: Job, keys: readonly string[]): Job {
  const laid = laidCells(job);
  const cells = { ...job.cells };
  for (const key of keys) {
    const computed = laid.get(key);
    const own = cells[key];
    if (!own || isOwn(key)) continue;
    const { place: _place, shot, ...rest } = own;
    const differs = computed && shot !== undefined && shot !== computed.shot ? { shot } : {};
    cells[key] = { ...rest, ...differs };
    if (Object.keys(cells[key]).length === 0 || !computed) delete cells[key];
  }
  return { ...job, cells };
}

/** Whether a cell was added by hand: its key begins with "o". */
export const isOwn = (key: string): boolean => key.startsWith("o");

export function addCells(
  job: Job,
  added: readonly { place: Place; photo: PhotoId | null; like?: string }[],
): Job {
  const laid = laidCells(job);
  let next = job;
  let number = Math.max(
    0,
    ...Object.keys(job.cells)
      .filter(isOwn)
      .map((key) => Number(key.slice(1))),
  );
  for (const { place, photo, like } of added) {
    const key = `o${++number}`;
    // A copy of a cell shows what that cell shows, now and later; a new one has a photo of its own.
    const shot = like === undefined ? freeShot(next, laid) : shotOf(next, like);
    next = { ...next, cells: { ...next.cells, [key]: { shot, place } } };
    if (like === undefined) next = withShot(next, shot, { photo, ...COMPUTED_SHOT });
  }
  return next;
}

/** Takes cells out; those that are locked stay. */
export function removeCells(job: Job, keys: readonly string[]): Job {
  const cells = { ...job.cells };
  for (const key of keys) {
    if (cells[key]?.place?.locked) continue;
    if (isOwn(key)) delete cells[key];
    else cells[key] = { gone: true };
  }
  return { ...job, cells };
}

/** Another photo in a shot: how it sits starts afresh, since a crop belongs to the photo it was made for. */
const swapped = (shot: Shot, photo: PhotoId | null): Shot =>
  shot.photo === photo ? shot : { photo, ...COMPUTED_SHOT, turn: shot.turn === "suit" ? "suit" : 0 };

/** A shot number that no cell has and no computed cell will have by itself. */
function freeShot(job: Job, laid: ReadonlyMap<string, LaidCell>): number {
  const used = new Set([
    ...Object.keys(job.shots).map(Number),
    ...[...laid.values()].map(({ shot }) => shot),
    ...Object.values(job.cells).flatMap(({ shot }) => shot ?? []),
  ]);
  let number = Math.max(1, ...[...laid.values()].map(({ shot }) => shot)) + 1;
  while (used.has(number)) number++;
  return number;
}
