import { createSelector } from "@reduxjs/toolkit";
import {
  applyEdit,
  arrange,
  check,
  imposed,
  kindOf,
  layOut,
  madeNow,
  pickedPhotos,
  sums,
  toCheck,
  type CellPlan,
  type Finding,
  type Job,
  type SheetPlan,
  type Sums,
} from "@wide-quilt/core";
import { LOCALE } from "../app/preferences.ts";
import type { State } from "../app/store.ts";

const NO_SHEETS: SheetPlan[] = [];

/** The job as it is seen: with the edit of a gesture that is still under way. */
export const selectJob = createSelector(
  [(state: State) => state.openJob.job, (state: State) => state.openJob.held],
  (job, held) => (job && held ? applyEdit(job, held) : job),
);

/** Whether cells stand where they are put by hand alone. */
export const selectStandsByHand = ({ openJob: { job } }: State): boolean =>
  job !== null && kindOf(job).standsByHand === true;

const selectPhotos = (state: State) => state.openJob.photos;
/** The job’s own unit, where it has one. */
const selectUnit = (state: State) => selectJob(state)?.unit ?? state.preferences.unit;

/** What no ticket says. */
const NOT_IN_TICKET: ReadonlySet<string> = new Set<keyof Job>([
  "name",
  "about",
  "list",
  "shots",
  "cells",
  "heads",
  "crop",
  "backdrops",
  "sheets",
  "guides",
  "making",
  "aside",
]);

/** What moves no cell that is laid by itself; shots and cells are looked at closer. */
const NOT_IN_LAYOUT: ReadonlySet<string> = new Set<keyof Job>([
  "name",
  "about",
  "shots",
  "cells",
  "heads",
  "crop",
  "backdrops",
  "sheets",
  "guides",
  "making",
  "aside",
  "finish",
  "ground",
  "graphics",
  "texts",
]);

/** Whether two states of a job are one but for some parts. */
const sameBut = (before: Job, now: Job, parts: ReadonlySet<string>): boolean =>
  (Object.keys(now) as (keyof Job)[]).every((part) => parts.has(part) || before[part] === now[part]);

/** The job, the same object as before for as long as two of its states are as one to whoever looks. */
const selectJobBut = (isSame: (before: Job, now: Job) => boolean) =>
  createSelector([selectJob], (job) => job, {
    memoizeOptions: {
      resultEqualityCheck: (before: Job | null, now: Job | null) =>
        before !== null && now !== null && isSame(before, now),
    },
    // It gives back what it is given, on purpose.
    devModeChecks: { identityFunctionCheck: "never" },
  });

/** The job as far as its ticket says it: stays the same while photos are moved in their cells. */
export const selectTicketJob = selectJobBut((before, now) => sameBut(before, now, NOT_IN_TICKET));

const selectLaidJob = selectJobBut(
  (before, now) =>
    sameBut(before, now, NOT_IN_LAYOUT) &&
    samePhotos(before.shots, now.shots) &&
    (sameCells(before.cells, now.cells) || !kindOf(now).followsStash(now)),
);

/**
 * Where the ticket alone would put the cells. It stays the same while photos are moved in their cells: what
 * was set by hand decides a layout only where photos come by themselves: which they are, and in whose place they stand.
 */
export const selectLayout = createSelector([selectLaidJob, selectPhotos], (job, photos) =>
  job ? layOut(job, photos) : undefined,
);

/** Whether shots show the same photos, however they sit. */
function samePhotos(before: Job["shots"], after: Job["shots"]): boolean {
  if (before === after) return true;
  const photo = (shots: Job["shots"], name: string) => shots[name]?.photo ?? null;
  return [...Object.keys(before), ...Object.keys(after)].every(
    (name) => photo(before, name) === photo(after, name),
  );
}

/** Whether the same cells are there and show the same, wherever they lie. */
function sameCells(before: Job["cells"], after: Job["cells"]): boolean {
  if (before === after) return true;
  const says = (cells: Job["cells"], name: string) => {
    const { gone, shot, place } = cells[name] ?? {};
    return `${gone} ${shot} ${place !== undefined}`;
  };
  return [...Object.keys(before), ...Object.keys(after)].every(
    (name) => says(before, name) === says(after, name),
  );
}

const selectIsPlacing = (state: State) => state.openJob.held?.do === "place";

/**
 * The plan of the sheets: the same computation as on the server. While a cell is moved by hand its marks rest: they would
 * jump about under it, and drawing hundreds of lines anew is most of the work of a step.
 */
export const selectSheets = createSelector(
  [selectJob, selectPhotos, selectLayout, selectIsPlacing],
  (job, photos, layout, isPlacing) => {
    if (!job) return NO_SHEETS;
    return arrange(isPlacing ? { ...job, finish: unmarked(job.finish) } : job, photos, layout);
  },
);

const unmarked = (finish: Job["finish"]): Job["finish"] => ({
  ...finish,
  marks: { ...finish.marks, kind: "none" },
});

/** The sheets that are printed: the pages themselves, or several of them on one. */
export const selectPrinted = createSelector([selectJob, selectSheets], (job, pages) =>
  job ? imposed(job, pages) : NO_SHEETS,
);

/** Those of them that are printed and written now. */
export const selectMade = createSelector([selectJob, selectPrinted], (job, sheets) =>
  job ? madeNow(job, sheets) : NO_SHEETS,
);

const findAnew = createSelector(
  [selectJob, selectPhotos, selectSheets, selectLayout, selectUnit, selectPrinted],
  (job, photos, sheets, layout, unit, printed) =>
    job ? check(job, photos, sheets, { unit, locale: LOCALE }, layout, printed) : [],
);

let found: Finding[] = [];

/** What would spoil the print. While something is dragged the list rests; it is made anew when that is let go. */
export function selectFindings(state: State): Finding[] {
  if (state.openJob.held === null) found = findAnew(state);
  return found;
}

export const selectToCheck = createSelector([selectFindings], toCheck);

const sumAnew = createSelector(
  [selectJob, selectPhotos, selectSheets, selectLayout, selectPrinted],
  (job, photos, sheets, layout, printed) => (job ? sums(job, photos, sheets, layout, printed) : null),
);

let summed: Sums | null = null;

/** The results under the ticket. No photo that is moved in its cell changes any of them. */
export function selectSums(state: State): Sums | null {
  if (state.openJob.held?.do !== "shot") summed = sumAnew(state);
  return summed;
}

/** The sheet that is shown; the last one when there are fewer by now. */
export const selectSheet = createSelector(
  [selectSheets, (state: State) => state.view.sheet],
  (sheets, number): SheetPlan | undefined => sheets[Math.min(number, sheets.length) - 1],
);

/** Whether sheets are shown as they are printed, where those are not the pages. */
export const selectIsPrinted = (state: State): boolean =>
  state.view.printed && selectJob(state)?.impose.way !== "one";

/** The printed sheet that is shown; with pages on the table, the one with as many before it. */
export const selectPrintedSheet = createSelector(
  [selectPrinted, (state: State) => state.view.sheet],
  (sheets, number): SheetPlan | undefined => sheets[Math.min(number, sheets.length) - 1],
);

/** A cell as it is now: keys may come faster than what they change is drawn. */
export const cellNow = (state: State, { key }: CellPlan): CellPlan | undefined =>
  selectSheets(state)
    .flatMap(({ cells }) => cells)
    .find((cell) => cell.key === key);

export const selectCell = createSelector([selectSheet, (state: State) => state.view.cell], (sheet, key) =>
  sheet?.cells.find((cell) => cell.key === key),
);

const NO_CELLS: CellPlan[] = [];

/** Every selected cell of the sheet that is shown, the one chosen last first. */
export const selectChosen = createSelector(
  [selectSheet, selectCell, (state: State) => state.view.also],
  (sheet, cell, also): CellPlan[] => {
    if (!sheet || !cell) return NO_CELLS;
    return [cell, ...sheet.cells.filter(({ key }) => also.includes(key))];
  },
);

const selectStash = (state: State) => state.openJob.job?.stash;

/** The file names of the job's photos, by id. */
export const selectNames = createSelector(
  [selectStash],
  (stash) => new Map(stash?.map(({ id, name }) => [id, name])),
);

/** Keys of the cells without a photo, over all sheets in their order. */
export const selectEmpty = createSelector([selectSheets], (sheets) =>
  sheets.flatMap(({ cells }) => cells.flatMap(({ key, photo }) => (photo === null ? [key] : []))),
);

/** The photos of the stash that are picked, in the order they are shown in. */
export const selectPicked = createSelector(
  [selectStash, (state: State) => state.openJob.job?.pick, selectPhotos],
  (stash, pick, photos) => (stash && pick ? pickedPhotos({ stash, pick }, photos) : []),
);

/** Where each photo is shown. */
export const selectPlaces = createSelector([selectSheets], (sheets) => {
  const places = new Map<string, { sheet: number; cell: CellPlan }[]>();
  for (const { number, cells } of sheets) {
    for (const cell of cells) {
      if (cell.photo === null) continue;
      const known = places.get(cell.photo);
      if (known) known.push({ sheet: number, cell });
      else places.set(cell.photo, [{ sheet: number, cell }]);
    }
  }
  return places;
});

/** How many cells show each photo. */
export const selectUses = createSelector([selectSheets], (sheets) => {
  const uses = new Map<string, number>();
  for (const { photo } of sheets.flatMap(({ cells }) => cells)) {
    if (photo !== null) uses.set(photo, (uses.get(photo) ?? 0) + 1);
  }
  return uses;
});
