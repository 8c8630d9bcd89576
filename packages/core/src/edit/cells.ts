import { shotNamed, type CellByHand, type Job, type Place } from "../job/index.ts";
import { isPicked } from "../job/stash/index.ts";
import { kindOf, layOut, photoFlow, type LaidCell, type Slot } from "../kinds/index.ts";
import { COMPUTED_SHOT, type Shot } from "../photo/crop/index.ts";
import {
  addedCell,
  isAddedCell,
  numberedShot,
  photoCell,
  photoNumber,
  shotNumber,
  type CellName,
  type PhotoId,
  type ShotName,
} from "../schema/index.ts";
import { exchanged } from "./exchange.ts";
import { renewed } from "./renew.ts";

/** The computed cells of a job, by name. Which there are, and their slots, does not depend on the photos’ records. */
const laidCells = (job: Job): Map<CellName, LaidCell> =>
  new Map(layOut(job, {}).sheets.flatMap(({ cells }) => cells.map((cell) => [cell.key, cell])));

const FIRST = numberedShot(1);

/** What a cell shares with those that show the same. */
const slotOf = (job: Job, key: CellName): ShotName =>
  job.cells[key]?.shot ?? laidCells(job).get(key)?.slot ?? FIRST;

const withShot = (job: Job, name: ShotName, shot: Shot): Job => ({
  ...job,
  shots: { ...job.shots, [name]: shot },
});

/**
 * Sets how a shot’s photo sits. The shot of a photo that comes by itself is that photo’s own; a numbered one holds the
 * photo fast that the crop was made for.
 */
export function setShot(job: Job, name: ShotName, change: Partial<Shot>): Job {
  const number = photoNumber(name);
  if (number === null) {
    const shot = shotNamed(job, name);
    const comes = shot.photo === null ? whatComes(job, name) : null;
    const photo = change.photo === undefined ? (shot.photo ?? comes?.photo ?? null) : change.photo;
    if (comes && comes.shot !== name && photo === comes.photo) return setShot(job, comes.shot, change);
    return withShot(job, name, { ...shot, ...change, photo });
  }
  const { photo, ...sits } = change;
  const next = photo === undefined || photo === null ? job : exchanged(job, number, photo);
  return withShot(next, name, { ...shotNamed(next, name), ...sits });
}

/** What comes to a numbered shot by itself, where the layout has cells of that number. */
function whatComes(job: Job, name: ShotName): Slot | null {
  const laid = laidCells(job);
  const own = [...laid.values()].find((cell) => cell.slot === name);
  if (own) return own;
  const isGiven = [...laid.keys()].some((key) => job.cells[key]?.shot === name);
  const asks = Object.values(job.cells).some((cell) => cell.asks && cell.shot === name);
  return isGiven || asks ? photoFlow(job).at(name) : null;
}

/** Puts one photo in every cell and forgets what single cells had of their own. */
export function putInAll(job: Job, photo: PhotoId): Job {
  const ticket = kindOf(job).showInAll(job, photo);
  const cells: Record<CellName, CellByHand> = Object.fromEntries(
    Object.entries(job.cells).flatMap(([key, { shot, asks, ...own }]): [CellName, CellByHand][] => {
      const kept: CellByHand = isAddedCell(key) ? { ...own, shot, ...(asks && { asks }) } : own;
      return Object.keys(kept).length === 0 ? [] : [[key, kept]];
    }),
  );
  const bare = { ...job, cells };
  const shots = { ...job.shots };
  const own = job.stash.find(({ id }) => id === photo)?.number;
  const put = (name: ShotName, before: Shot) => {
    shots[name] = swapped(before, ticket || photoNumber(name) === own ? null : photo);
  };
  for (const { shot } of Object.values(cells)) if (shot !== undefined) put(shot, shotNamed(job, shot));
  // A crop of this very photo stays.
  for (const laid of laidCells(bare).values())
    put(laid.slot, { ...shotNamed(job, laid.shot), photo: ticket ? null : laid.photo });
  return { ...bare, shots, ...(ticket && { ticket: { ...job.ticket, ...ticket } as Job["ticket"] }) };
}

/**
 * Puts a photo in one cell alone: where others share its shot, it gets a shot of its own. Where photos come by themselves
 * the photo that was there goes where the new one would have come.
 */
export function putInOne(job: Job, key: CellName, photo: PhotoId): Job {
  const laid = laidCells(job);
  const slot = slotOf(job, key);
  const ticket = kindOf(job).showIn(job, slot, photo);
  if (ticket) {
    // It is somebody’s photo from now on, in all their pieces; a crop by hand was the other photo’s.
    const { [slot]: _crop, ...shots } = job.shots;
    return { ...job, shots, ticket: { ...job.ticket, ...ticket } as Job["ticket"] };
  }
  const own = laid.get(key);
  // A cover shows whatever the month shows, and keeps no photo to itself.
  const shares = (other: CellName, name: ShotName) =>
    other !== key && name === slot && job.cells[other]?.gone !== true && laid.get(other)?.again !== true;
  const shared =
    [...laid].some(([other, cell]) => shares(other, job.cells[other]?.shot ?? cell.slot)) ||
    Object.entries(job.cells).some(([other, cell]) => cell.shot !== undefined && shares(other, cell.shot));
  const number = photoNumber(slot);
  const ref = job.stash.find(({ id }) => id === photo);
  if (number !== null && !shared && own?.of && ref && isPicked(job.pick, ref)) {
    return exchanged(job, number, photo);
  }
  const name = shared || number !== null ? freeShot(job, laid) : slot;
  const cells = name === slot ? job.cells : { ...job.cells, [key]: { ...job.cells[key], shot: name } };
  return withShot({ ...job, cells }, name, swapped(shotNamed(job, own?.shot ?? slot), photo));
}

/**
 * Every photo lies on its side where that shows more of it, whatever it was turned to before. One with heads in it stands all
 * the same: the plan knows them.
 */
export function turnToSuit(job: Job): Job {
  const laid = [...laidCells(job).values()].map(({ shot }) => shot);
  const own = Object.values(job.cells).flatMap(({ shot }) => shot ?? []);
  return [...new Set([...laid, ...own])].reduce((next, shot) => setShot(next, shot, { turn: "suit" }), job);
}

export const shareShot = (job: Job, keys: readonly CellName[], shot: ShotName): Job => ({
  ...job,
  cells: { ...job.cells, ...Object.fromEntries(keys.map((key) => [key, { ...job.cells[key], shot }])) },
});

/** The photo of a cell, and how it sits, as the layout has it. */
export function backToComputed(job: Job, key: CellName): Job {
  const own = job.cells[key];
  const laid = laidCells(job).get(key);
  const slot = slotOf(job, key);
  if (own?.shot === undefined || !laid) {
    const shot = laid?.shot ?? slot;
    const number = photoNumber(shot);
    const of = job.stash.find((ref) => ref.number === number)?.id;
    const next = number !== null && of !== undefined ? exchanged(job, number, of) : job;
    const { photo } = shotNamed(next, shot);
    const { [shot]: _shot, ...shots } = next.shots;
    // A photo that was put in all cells stays there.
    return { ...next, shots: photo === null ? shots : { ...shots, [shot]: { photo, ...COMPUTED_SHOT } } };
  }
  const { shot: _shot, ...rest } = own;
  const cells: Record<CellName, CellByHand> = { ...job.cells, [key]: rest };
  if (Object.keys(rest).length === 0) delete cells[key];
  const shots = { ...job.shots };
  const stillUsed = Object.values(cells).some((cell) => cell.shot === slot);
  if (!stillUsed && slot !== laid.slot && photoNumber(slot) === null) delete shots[slot];
  return { ...job, cells, shots };
}

/**
 * Puts cells where a hand has them. One that shows a numbered shot keeps it, so that it stays what it is without the
 * layout; what is named after a photo goes with the photo.
 */
export function placeCells(job: Job, placed: Record<CellName, { place: Place; shot?: ShotName }>): Job {
  const cells = { ...job.cells };
  for (const [key, { place, shot }] of Object.entries(placed)) {
    const own = cells[key];
    const slot = own?.shot ?? shot ?? slotOf(job, key);
    const keeps = own?.shot !== undefined || photoNumber(slot) === null;
    cells[key] = { ...own, ...(keeps && { shot: slot }), place };
  }
  return { ...job, cells };
}

export function unplaceCells(job: Job, keys: readonly CellName[]): Job {
  const laid = laidCells(job);
  const cells = { ...job.cells };
  for (const key of keys) {
    const computed = laid.get(key);
    const own = cells[key];
    if (!own || isAddedCell(key)) continue;
    const { place: _place, shot, ...rest } = own;
    const differs = computed && shot !== undefined && shot !== computed.slot ? { shot } : {};
    cells[key] = { ...rest, ...differs };
    if (Object.keys(cells[key]).length === 0 || !computed) delete cells[key];
  }
  return { ...job, cells };
}

export function addCells(
  job: Job,
  added: readonly { place: Place; photo: PhotoId | null; like?: CellName }[],
): Job {
  const laid = laidCells(job);
  let next = job;
  let number = Math.max(
    0,
    ...Object.keys(job.cells)
      .filter(isAddedCell)
      .map((key) => Number(key.slice(1))),
  );
  for (const { place, photo, like } of added) {
    const key = addedCell(++number);
    // A copy of a cell shows what that cell shows, now and later; a new one has a photo of its own.
    const shot = like === undefined ? freeShot(next, laid) : slotOf(next, like);
    next = { ...next, cells: { ...next.cells, [key]: { shot, place } } };
    if (like === undefined) next = withShot(next, shot, { photo, ...COMPUTED_SHOT });
  }
  return next;
}

/**
 * Takes cells out; those that are locked stay. Where photos come to places in their order, the photo of a place goes out
 * with it: the others stay where they are.
 */
export function removeCells(job: Job, keys: readonly CellName[]): Job {
  const laid = laidCells(job);
  const cells = { ...job.cells };
  for (const key of keys) {
    if (cells[key]?.place?.locked) continue;
    if (isAddedCell(key)) {
      delete cells[key];
      continue;
    }
    const number = cells[key]?.shot === undefined ? photoNumber(laid.get(key)?.slot ?? "") : null;
    cells[key] = { ...cells[key], gone: true };
    if (number !== null && laid.get(key)?.of && photoNumber(key) === null) {
      cells[photoCell(number)] = { ...cells[photoCell(number)], gone: true };
    }
  }
  return renewed({ ...job, cells });
}

/** Another photo in a shot: how it sits starts afresh, since a crop belongs to the photo it was made for. */
const swapped = (shot: Shot, photo: PhotoId | null): Shot =>
  shot.photo === photo ? shot : { photo, ...COMPUTED_SHOT, turn: shot.turn === "suit" ? "suit" : 0 };

/** A numbered shot that no cell has and no computed cell will have by itself. */
function freeShot(job: Job, laid: ReadonlyMap<CellName, LaidCell>): ShotName {
  const numbers = [
    ...Object.keys(job.shots),
    ...[...laid.values()].map(({ slot }) => slot),
    ...Object.values(job.cells).flatMap(({ shot }) => shot ?? []),
  ]
    .filter((name) => photoNumber(name) === null)
    .map(shotNumber);
  const used = new Set(numbers);
  const laidNumbers = [...laid.values()].filter(({ slot }) => photoNumber(slot) === null);
  let number = Math.max(1, ...laidNumbers.map(({ slot }) => shotNumber(slot))) + 1;
  while (used.has(number)) number++;
  return numberedShot(number);
}
