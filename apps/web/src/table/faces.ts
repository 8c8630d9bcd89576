import { createSelector } from "@reduxjs/toolkit";
import { peopleTicket, reportPeople, type PersonReport } from "@wide-quilt/core";
import { LOCALE } from "../app/preferences.ts";
import type { Dispatch, State } from "../app/store.ts";
import { findFaceIn } from "../seeing/seeing.ts";
import { found } from "./edits.ts";
import { lookedAt, lookingAt } from "./faceSlice.ts";
import { selectJob, selectSheets } from "./sheets.ts";

type Thunk = (dispatch: Dispatch, getState: () => State) => Promise<void>;

/** Whether the job is of people, whose heads are looked for. */
export const selectHasPeople = (state: State): boolean => {
  const job = selectJob(state);
  return job !== null && peopleTicket(job) !== null;
};

/** Photos of the people of a job of portraits whose head nobody has found or set yet. */
export function unmeasured(state: State): string[] {
  const { job, photos } = state.openJob;
  const ticket = job && peopleTicket(job);
  if (!ticket) return [];
  const ids = ticket.people.flatMap(({ photo }) => photo ?? []);
  return [...new Set(ids)].filter((id) => id in photos && !(id in job.faces) && !state.faces.looked[id]);
}

/** Looks for the faces that nobody has looked for, one after the other; none of it is a step to undo. */
export const findFaces = (): Thunk => async (dispatch, getState) => {
  if (getState().faces.looking !== null) return;
  const jobId = getState().openJob.id;
  let done = 0;
  for (;;) {
    const left = unmeasured(getState());
    const photo = left[0];
    if (photo === undefined || getState().openJob.id !== jobId) break;
    dispatch(lookingAt({ done, of: done + left.length }));
    await dispatch(findFaceOf(photo));
    done++;
  }
  dispatch(lookingAt(null));
};

/** Looks for the face of one photo, again if need be. */
export const findFaceOf =
  (photo: string): Thunk =>
  async (dispatch, getState) => {
    const jobId = getState().openJob.id;
    const { face, why } = await findFaceIn(photo);
    if (getState().openJob.id !== jobId) return;
    dispatch(lookedAt({ photo, why }));
    if (face) dispatch(found({ do: "faces", faces: { [photo]: face } }));
  };

const NOBODY: PersonReport[] = [];

/** Everyone of the job against their rules; nobody for a job of another kind. */
export const selectPeople = createSelector(
  [selectJob, (state: State) => state.openJob.photos, selectSheets, (state: State) => state.preferences.unit],
  (job, photos, sheets, unit) =>
    job && peopleTicket(job)
      ? reportPeople(job, photos, sheets, { unit, ppi: job.target.ppi, locale: LOCALE })
      : NOBODY,
);
