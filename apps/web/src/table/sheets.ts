import { createSelector } from "@reduxjs/toolkit";
import { applyEdit, arrange, check, sums, toCheck, type Job, type SheetPlan } from "@wide-quilt/core";
import { LOCALE } from "../app/preferences.ts";
import type { State } from "../app/store.ts";

const NO_SHEETS: SheetPlan[] = [];

/** The job as it is seen: with the edit of a gesture that is still under way. */
export const selectJob = createSelector(
  [(state: State) => state.openJob.job, (state: State) => state.openJob.held],
  (job, held) => (job && held ? applyEdit(job, held) : job),
);

const selectPhotos = (state: State) => state.openJob.photos;
const selectUnit = (state: State) => state.preferences.unit;

let ticketJob: Job | null = null;

/** The job as far as its ticket says it: stays the same while photos are moved in their cells. */
export function selectTicketJob(state: State): Job | null {
  const job = selectJob(state);
  const same =
    job &&
    ticketJob &&
    job.ticket === ticketJob.ticket &&
    job.sheet === ticketJob.sheet &&
    job.finish === ticketJob.finish;
  if (!same) ticketJob = job;
  return ticketJob;
}

/** The plan of the sheets: the same computation as on the server. */
export const selectSheets = createSelector([selectJob, selectPhotos], (job, photos) =>
  job ? arrange(job, photos) : NO_SHEETS,
);

export const selectFindings = createSelector(
  [selectJob, selectPhotos, selectSheets, selectUnit],
  (job, photos, sheets, unit) => (job ? check(job, photos, sheets, { unit, locale: LOCALE }) : []),
);

export const selectToCheck = createSelector([selectFindings], toCheck);

export const selectSums = createSelector([selectJob, selectSheets], (job, sheets) =>
  job ? sums(job, sheets) : null,
);

/** The sheet that is shown; the last one when there are fewer by now. */
export const selectSheet = createSelector(
  [selectSheets, (state: State) => state.view.sheet],
  (sheets, number): SheetPlan | undefined => sheets[Math.min(number, sheets.length) - 1],
);

export const selectCell = createSelector([selectSheet, (state: State) => state.view.cell], (sheet, key) =>
  sheet?.cells.find((cell) => cell.key === key),
);

const selectStash = (state: State) => state.openJob.job?.stash;

/** The file names of the job's photos, by id. */
export const selectNames = createSelector(
  [selectStash],
  (stash) => new Map(stash?.map(({ id, name }) => [id, name])),
);

/** How many cells show each photo. */
export const selectUses = createSelector([selectSheets], (sheets) => {
  const uses = new Map<string, number>();
  for (const { photo } of sheets.flatMap(({ cells }) => cells)) {
    if (photo !== null) uses.set(photo, (uses.get(photo) ?? 0) + 1);
  }
  return uses;
});
