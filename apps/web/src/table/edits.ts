import { applyEdit, keepPacking, kindOf, readJob, type JobEdit } from "@wide-quilt/core";
import { server, type SentEdit } from "../api/client.ts";
import { NoAnswer, sentenceOf } from "../api/problem.ts";
import { newId } from "../app/ids.ts";
import { noticed } from "../app/noticeSlice.ts";
import type { Dispatch, State } from "../app/store.ts";
import { thisWindow } from "../app/thisWindow.ts";
import { changed, edited, notOpened, opened, opening, waiting } from "./openJob.ts";
import { keepPending } from "./outbox.ts";
import { searchPacking } from "./packing.ts";
import { again, inLine, isGone, lookAgain, send, sendAll, sendElsewhere, takeUp } from "./sending.ts";
import { dragging, searched, tableCleared } from "./view.ts";

type Thunk<T = void> = (dispatch: Dispatch, getState: () => State) => T;

/** Puts a job on the table, with what was not saved of it; what is not saved of the one before is sent on. */
export const open =
  (id: string): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    const before = getState().openJob;
    if (before.id === id && before.job) {
      // It comes back to the table from another view of the same job: what was open there is not open any more.
      dispatch(tableCleared());
      if (kindOf(before.job).standsByHand) dispatch(dragging("cell"));
      return dispatch(lookAgain());
    }
    if (before.id !== null) sendElsewhere(before.id, thisWindow.name, before.pending);
    dispatch(opening({ id, pending: [] }));
    dispatch(tableCleared());
    const pending = await takeUp(id);
    if (getState().openJob.id !== id || getState().openJob.job) return;
    dispatch(opening({ id, pending }));
    for (let tries = 0; getState().openJob.id === id && !getState().openJob.job;) {
      try {
        const view = await server.viewJob(id);
        dispatch(waiting(false));
        dispatch(opened(view));
        if (view.notice !== null) dispatch(noticed(view.notice));
        // On bare paper there are no photos to move yet.
        if (kindOf(view.job).standsByHand) dispatch(dragging("cell"));
        if (pending.length > 0) void dispatch(send());
        return;
      } catch (error) {
        if (!(error instanceof NoAnswer)) return void dispatch(notOpened(sentenceOf(error)));
        dispatch(waiting(true));
        await again(tries++);
      }
    }
  };

/**
 * Changes the job: at once here, and soon on the server. Edits of one gesture are undone together.
 * An edit that would make something that is no job is refused with the core's own sentence.
 */
export const edit =
  (change: JobEdit, gesture?: string): Thunk =>
  (dispatch, getState) => {
    const { job } = getState().openJob;
    if (!job) return;
    const reading = readJob(applyEdit(job, change));
    if (!reading.ok) {
      dispatch(noticed(reading.faults[0]!.why, "wrong"));
      return;
    }
    const packs =
      PACKED.has(change.do) && kindOf(reading.job).packing(reading.job, getState().openJob.photos) !== null;
    // What the search finds belongs to the edit that asked for it, so both are one step to undo.
    const step = gesture ?? (packs ? newId() : undefined);
    dispatch(made({ gesture: step, edit: change }));
    if (packs && step) dispatch(findPacking(step));
  };

/** Shows an edit, keeps it until the server has it, and sends it. */
const made =
  (edit: Omit<SentEdit, "id">): Thunk =>
  (dispatch, getState) => {
    dispatch(edited({ id: newId(), ...edit }));
    const { id, pending } = getState().openJob;
    if (id !== null) keepPending(id, thisWindow.name, pending);
    void dispatch(send());
  };

/** How often it is looked whether everything is saved, in milliseconds. */
const LOOK = 30;

/** Resolves once the server has taken every edit in. */
export const whenSaved = (): Thunk<Promise<void>> => (_, getState) =>
  new Promise((resolve) => {
    const look = () => (getState().openJob.pending.length === 0 ? resolve() : setTimeout(look, LOOK));
    look();
  });

/** Edits after which pieces may be packed on fewer sheets. */
const PACKED: ReadonlySet<JobEdit["do"]> = new Set([
  "ticket",
  "sheet",
  "become",
  "add photos",
  "take photo",
  "remove photo",
]);

/** Looks for a better arrangement of packed pieces; what is found is shown as it comes. */
const findPacking =
  (gesture: string): Thunk =>
  (dispatch, getState) => {
    const { job, photos } = getState().openJob;
    const packed = job && kindOf(job).packing(job, photos);
    if (!packed) return;
    const { question } = packed;
    dispatch(searched(true));
    searchPacking(question, (packing, done) => {
      if (done) dispatch(searched(false));
      const now = getState().openJob.job;
      if (!packing || !now || !kindOf(now).packing(now, photos) || getState().openJob.id === null) return;
      const change: JobEdit = { do: "ticket", change: { packing: keepPacking(question, packing) } };
      dispatch(made({ gesture, edit: change }));
    });
  };

/** Waits until the server has everything. */
export const settled = (): Thunk<Promise<void>> => (dispatch) => dispatch(send());

/** Takes one’s own last step back, or makes it again, once everything before it is saved, however fast it is asked for. */
export const step =
  (way: "undo" | "redo"): Thunk<Promise<void>> =>
  (dispatch) =>
    inLine(async () => {
      await dispatch(sendAll());
      await dispatch(stepNow(way, newId()));
    });

const stepNow =
  (way: "undo" | "redo", act: string): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    const { id, version } = getState().openJob;
    if (id === null) return;
    for (let tries = 0; getState().openJob.id === id;) {
      try {
        dispatch(changed(await server[way](id, version, act)));
        dispatch(waiting(false));
        if (getState().openJob.isBehind) await dispatch(lookAgain());
        return;
      } catch (error) {
        if (error instanceof NoAnswer) {
          dispatch(waiting(true));
          await again(tries++);
          continue;
        }
        if (isGone(error)) await dispatch(lookAgain());
        else dispatch(noticed(sentenceOf(error), "look"));
        return;
      }
    }
  };
