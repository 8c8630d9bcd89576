import { createSelector } from "@reduxjs/toolkit";
import {
  headsIn,
  peopleTicket,
  reportPeople,
  seenByHand,
  type Face,
  type PersonReport,
} from "@wide-quilt/core";
import type { HeadNews } from "@wide-quilt/server/contract";
import { server } from "../api/client.ts";
import { sentenceOf } from "../api/problem.ts";
import { noticed } from "../app/noticeSlice.ts";
import { LOCALE } from "../app/preferences.ts";
import type { Dispatch, State } from "../app/store.ts";
import { searchStands } from "./headSlice.ts";
import { headsCame } from "./openJob.ts";
import { lookAgain } from "./sending.ts";
import { selectJob, selectSheets } from "./sheets.ts";

type Thunk<T = Promise<void>> = (dispatch: Dispatch, getState: () => State) => T;

/** The heads in a photo of the job on the table, the largest first. */
export const selectHeads = (state: State, photo: string): readonly Face[] => {
  const job = selectJob(state);
  return job ? headsIn(job, state.openJob.photos, photo) : NO_HEADS;
};
const NO_HEADS: readonly Face[] = [];

/** Shows heads where a hand has them just now; nothing is kept yet. */
export const showHeads =
  (photo: string, heads: readonly Face[]): Thunk<void> =>
  (dispatch, getState) =>
    void dispatch(headsCame({ [photo]: seenByHand(getState().openJob.photos[photo]?.seen, heads) }));

/** Photos whose heads are on their way to the server, and what is to be sent of them next. */
const onTheWay = new Map<string, readonly Face[] | null>();

/**
 * Keeps where the heads are in a photo. They are the photo’s, so it is no step of the job. Of changes that come faster than
 * the server answers the last one counts.
 */
export const setHeads =
  (photo: string, heads: readonly Face[]): Thunk =>
  async (dispatch, getState) => {
    const before = getState().openJob.photos[photo]?.seen;
    dispatch(showHeads(photo, heads));
    const isSending = onTheWay.has(photo);
    onTheWay.set(photo, heads);
    if (isSending) return;
    try {
      for (let next = onTheWay.get(photo); next; next = onTheWay.get(photo)) {
        onTheWay.set(photo, null);
        await server.setHeads(photo, next);
      }
    } catch (error) {
      if (before) dispatch(headsCame({ [photo]: before }));
      dispatch(noticed(`The heads were not kept: ${sentenceOf(error)}`, "wrong"));
    } finally {
      onTheWay.delete(photo);
    }
  };

/** News of heads. What this window is just changing it knows better. */
export const newsOfHeads =
  ({ seen, search }: HeadNews): Thunk<void> =>
  (dispatch) => {
    const others = Object.entries(seen).filter(([photo]) => !onTheWay.has(photo));
    if (others.length > 0) dispatch(headsCame(Object.fromEntries(others)));
    dispatch(searchStands(search));
  };

/** Looks for the heads in a photo anew. */
export const findHeads =
  (photo: string): Thunk =>
  async (dispatch) => {
    try {
      dispatch(headsCame({ [photo]: await server.findHeads(photo) }));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "look"));
    }
  };

export const pauseHeads =
  (paused: boolean): Thunk =>
  async (dispatch) => {
    try {
      dispatch(searchStands(await server.pauseHeads(paused)));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "look"));
    }
  };

/** What was found while nobody listened: how far the search is, and the heads of photos that have none here. */
export const heardAgain = (): Thunk => async (dispatch, getState) => {
  try {
    dispatch(searchStands(await server.headSearch()));
    const { saved, photos } = getState().openJob;
    if (saved && Object.values(photos).some(({ seen }) => !seen)) await dispatch(lookAgain());
  } catch {
    // The line is tried again by itself, and this with it.
  }
};

/** How far the search is, while it has something to do. */
export const selectLooking = ({ headSearch }: State) => (headSearch.of > headSearch.done ? headSearch : null);

const NOBODY: PersonReport[] = [];

/** Everyone of the job against their rules; nobody for a job of another kind. */
export const selectPeople = createSelector(
  [selectJob, (state: State) => state.openJob.photos, selectSheets, (state: State) => state.preferences.unit],
  (job, photos, sheets, unit) =>
    job && peopleTicket(job)
      ? reportPeople(job, photos, sheets, { unit, ppi: job.target.ppi, locale: LOCALE })
      : NOBODY,
);
