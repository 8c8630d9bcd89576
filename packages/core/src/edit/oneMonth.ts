import { dayPhotos } from "../calendar/index.ts";
import { shotNamed, type Job, type PhotoRef } from "../job/index.ts";
import { kindOf, layOut, type LaidCell } from "../kinds/index.ts";
import type { Shot } from "../photo/crop/index.ts";
import type { Photos } from "../photo/record/index.ts";
import {
  facingSheet,
  isAddedCell,
  photoShot,
  type CellName,
  type SheetName,
  type ShotName,
} from "../schema/index.ts";

/** What is kept of a long name, so that the month has room after it. */
const MOST_OF_NAME = 120;

/**
 * One page of a calendar by itself, with the photos that it shows and all that was set by hand for it: a month that is to be
 * printed once more. Null where the job has no such page of days.
 */
export function oneMonth(job: Job, page: SheetName, photos: Photos): Job | null {
  const ticket = kindOf(job).onePage(job, page);
  const { sheets } = layOut(job, photos);
  const month = sheets.find(({ name }) => name === page)?.title;
  if (!ticket || month === undefined) return null;
  const kept = sheets.filter(({ name }) => name === page || name === facingSheet(page));
  const isKept = (sheet: SheetName | null) => sheet === null || kept.some(({ name }) => name === sheet);
  const onPages = <T extends { sheet: SheetName | null }>(
    all: Readonly<Record<string, T>>,
  ): Record<string, T> => Object.fromEntries(Object.entries(all).filter(([, { sheet }]) => isKept(sheet)));
  const laid = kept.flatMap(({ cells }) => cells);
  const names = new Set(laid.map(({ key }) => key));
  const cells = Object.fromEntries(
    Object.entries(job.cells).filter(
      ([key, { place }]) => names.has(key) || (isAddedCell(key) && place && isKept(place.sheet)),
    ),
  );
  const { stash, shots } = photosOf(job, laid, cells);
  return {
    ...job,
    name: `${job.name.slice(0, MOST_OF_NAME)}, ${month.replace(/^\S+ /, "")}`,
    ticket,
    stash,
    numbered: stash.length,
    // Whatever was left out of the others, this is what the page shows.
    pick: { ...job.pick, stars: 0, tag: null, folder: null },
    cells,
    shots,
    sheets: { order: job.sheets.order.filter(isKept), gone: job.sheets.gone.filter(isKept) },
    graphics: onPages(job.graphics),
    shapes: onPages(job.shapes),
    texts: onPages(job.texts),
    blocks: onPages(job.blocks),
  };
}

/** The photos of some cells, numbered anew in their order, each sitting as it does. */
function photosOf(job: Job, laid: readonly LaidCell[], cells: Job["cells"]): Pick<Job, "stash" | "shots"> {
  const stash: PhotoRef[] = [];
  const shots: Record<ShotName, Shot> = {};
  const take = (photo: string | null): number | null => {
    const ref = job.stash.find(({ id }) => id === photo);
    if (!ref || stash.some(({ id }) => id === photo)) return null;
    stash.push({ ...ref, number: stash.length + 1 });
    return stash.length;
  };
  const byHand = (key: CellName) => cells[key]?.shot;
  for (const { key, shot, photo } of laid) {
    const number = byHand(key) === undefined ? take(photo) : null;
    const own = number !== null && job.shots[shot];
    if (own) shots[photoShot(number)] = { ...own, photo: null };
  }
  for (const key of Object.keys(cells)) {
    const name = byHand(key);
    if (name === undefined) continue;
    shots[name] = shotNamed(job, name);
    take(shots[name]!.photo);
  }
  dayPhotos(job.calendar).forEach(take);
  return { stash, shots };
}
