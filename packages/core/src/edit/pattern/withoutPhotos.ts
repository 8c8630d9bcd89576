import { dayPhotos, withDayPhoto } from "../../calendar/index.ts";
import { NOT_BEGUN, type CellByHand, type Job } from "../../job/index.ts";
import { pickedPhotos } from "../../job/stash/index.ts";
import { kindOf, layOut } from "../../kinds/index.ts";
import { COMPUTED_SHOT, type Shot } from "../../photo/crop/index.ts";
import {
  isAddedCell,
  numberedShot,
  photoNumber,
  photoShot,
  type CellName,
  type ShotName,
} from "../../schema/index.ts";

/**
 * A job with its photos left out and everything else kept: paper, cells, places set by hand, shot numbers, and whether a
 * photo fills its cell. What was named after the first photo, the second … is for the first and second of the next ones;
 * what was put in by hand waits for the photo at the same place. Crops and filters go, for they were made for the photos.
 */
export function withoutPhotos(job: Job): Job {
  const renamed = renaming(job);
  const shots = Object.entries(job.shots).flatMap(([name, { fit, turn }]): [ShotName, Shot][] => {
    const shot: Shot = {
      photo: null,
      ...COMPUTED_SHOT,
      fit: fit === "whole" ? fit : "fill",
      turn: turn === "suit" ? turn : 0,
    };
    const next = renamed.shot(name);
    const says = shot.fit !== COMPUTED_SHOT.fit || shot.turn !== COMPUTED_SHOT.turn;
    return next !== null && says ? [[next, shot]] : [];
  });
  const onSheet = <T extends { sheet: string | null }>(items: Readonly<Record<string, T>>) =>
    Object.fromEntries(
      Object.entries(items).flatMap(([name, item]): [string, T][] => {
        const sheet = item.sheet === null ? null : renamed.name(item.sheet);
        return item.sheet !== null && sheet === null ? [] : [[name, { ...item, sheet }]];
      }),
    );
  const places = new Map(job.stash.map(({ id }, i) => [id, i + 1]));
  const graphics = Object.fromEntries(
    Object.entries(onSheet(job.graphics)).map(([name, graphic]) => {
      const { of } = graphic;
      if (of.kind !== "photo" || of.photo === null) return [name, graphic];
      return [name, { ...graphic, of: { ...of, photo: null, order: places.get(of.photo) ?? of.order } }];
    }),
  );
  return {
    ...job,
    stash: [],
    numbered: 0,
    // Marks and folders are those of the photos: the next ones would all be left out by them.
    pick: { ...job.pick, stars: 0, tag: null, folder: null },
    list: {},
    heads: {},
    backdrops: {},
    aside: {},
    making: NOT_BEGUN,
    graphics,
    shapes: onSheet(job.shapes),
    texts: onSheet(job.texts),
    blocks: onSheet(job.blocks),
    calendar: dayPhotos(job.calendar).reduce(
      (calendar, photo) => withDayPhoto(calendar, photo, null),
      job.calendar,
    ),
    shots: Object.fromEntries(shots),
    cells: cellsOf(job, renamed),
    sheets: { ...job.sheets, order: job.sheets.order.flatMap((name) => renamed.name(name) ?? []) },
    ticket: kindOf(job).withoutPhotos(job),
  };
}

interface Renaming {
  /** Of a cell or a sheet. */
  name(name: string): string | null;
  shot(name: ShotName): ShotName | null;
}

/**
 * What things are called once other photos come: the third of the photos that come by themselves is photo 3 then. A photo
 * that was put in by hand in a shot of its own is waited for at its place among those of the job; among those that are
 * shown where none comes by itself. Null for what belongs to a photo that is not shown.
 */
function renaming(job: Job): Renaming {
  const order = new Map(pickedPhotos(job, {}).map(({ number }, i) => [number, i + 1]));
  const laid = new Set(layOut(job, {}).sheets.flatMap(({ cells }) => cells.map(({ slot }) => slot)));
  const given = [...new Set(Object.values(job.cells).flatMap(({ shot }) => shot ?? []))].filter(
    (shot) => photoNumber(shot) === null && !laid.has(shot) && job.shots[shot]?.photo,
  );
  const put = new Set(given.map((shot) => job.shots[shot]!.photo!));
  const waited = (laid.size === 0 ? job.stash.filter(({ id }) => put.has(id)) : job.stash).map(
    ({ id }) => id,
  );
  const numbers = new Map(
    given.map((shot) => [shot, numberedShot(waited.indexOf(job.shots[shot]!.photo!) + 1)]),
  );
  const ofPhoto = (name: string): string | null => {
    const number = photoNumber(name);
    if (number === null) return name;
    const next = order.get(number);
    return next === undefined ? null : name.replace(photoShot(number), photoShot(next));
  };
  return { name: ofPhoto, shot: (name) => numbers.get(name) ?? ofPhoto(name) };
}

/** What was set by hand for cells. A photo that was taken out is no matter of the next ones. */
const cellsOf = (job: Job, renamed: Renaming): Job["cells"] =>
  Object.fromEntries(
    Object.entries(job.cells).flatMap(([key, cell]): [CellName, CellByHand][] => {
      const name = renamed.name(key);
      const { gone, place, shot, ...own } = cell;
      if (name === null || (gone && photoNumber(key) !== null)) return [];
      const sheet = place && renamed.name(place.sheet);
      const next = shot === undefined ? null : renamed.shot(shot);
      const waits = isAddedCell(key) && shot !== undefined && job.shots[shot]?.photo;
      return [
        [
          name,
          {
            ...own,
            ...(gone && { gone }),
            ...(place && sheet !== null && { place: { ...place, sheet: sheet! } }),
            ...(next !== null && { shot: next }),
            ...(waits && { asks: true as const }),
          },
        ],
      ];
    }),
  );
