import { applyEdit, keepPacking, kindOf, readJob, type JobEdit } from "@wide-quilt/core";
import { server } from "../api/client.ts";
import { NoAnswer, sentenceOf, ServerProblem } from "../api/problem.ts";
import { afterFrame } from "../app/afterFrame.ts";
import type { Dispatch, State } from "../app/store.ts";
import { confirmed, edited, notOpened, opened, opening, waiting } from "./openJob.ts";
import { searchPacking } from "./packing.ts";
import { dragging, noticed, searched, tableCleared } from "./view.ts";

type Thunk<T = void> = (dispatch: Dispatch, getState: () => State) => T;

/** Milliseconds before a server that does not answer is asked again; the last goes on for ever. */
const PATIENCE = [500, 1000, 2000, 4000];

/** Puts a job on the table. */
export const open =
  (id: string): Thunk<Promise<void>> =>
  async (dispatch) => {
    dispatch(opening(id));
    dispatch(tableCleared());
    try {
      const view = await server.viewJob(id);
      dispatch(opened(view));
      // On bare paper there are no photos to move yet.
      if (view.job.ticket.kind === "free") dispatch(dragging("cell"));
    } catch (error) {
      dispatch(notOpened(sentenceOf(error)));
    }
  };

/** Takes over what another window did to the job meanwhile. Edits that are on their way bring it along anyway. */
export const lookAgain = (): Thunk<Promise<void>> => async (dispatch, getState) => {
  const { id, pending, version } = getState().openJob;
  if (id === null || pending.length > 0) return;
  const view = await server.viewJob(id).catch(() => null);
  if (view && view.version !== version && getState().openJob.pending.length === 0) dispatch(opened(view));
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
    const step = gesture ?? (packs ? crypto.randomUUID() : undefined);
    dispatch(edited({ id: crypto.randomUUID(), gesture: step, edit: change }));
    void dispatch(send());
    if (packs && step) dispatch(findPacking(step));
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
      dispatch(edited({ id: crypto.randomUUID(), gesture, edit: change }));
      void dispatch(send());
    });
  };

/** What is on its way to the server: one thing after the other, as each answer has the version that the next one needs. */
let line: Promise<void> = Promise.resolve();
let sending: Promise<void> | null = null;

const inLine = (act: () => Promise<void>): Promise<void> => (line = line.then(act, act));

/**
 * Sends what is pending, one lot after the other; there is never more than one lot on its way. First the change is
 * shown: asking takes as long as a third of a frame.
 */
const send = (): Thunk<Promise<void>> => (dispatch) =>
  (sending ??= inLine(() =>
    new Promise<void>(afterFrame).then(() => dispatch(sendAll())).finally(() => (sending = null)),
  ));

const sendAll = (): Thunk<Promise<void>> => async (dispatch, getState) => {
  let silent = 0;
  for (;;) {
    const { id, version, pending } = getState().openJob;
    if (id === null || pending.length === 0) return;
    const lot = [...pending];
    const ids = lot.map((sent) => sent.id);
    try {
      const view = await server.sendEdits(id, version, lot);
      silent = 0;
      dispatch(confirmed({ ids, view }));
    } catch (error) {
      if (getState().openJob.id !== id) return;
      if (error instanceof NoAnswer) {
        dispatch(waiting());
        await new Promise((go) => setTimeout(go, PATIENCE[Math.min(silent++, PATIENCE.length - 1)]));
        continue;
      }
      const current = error instanceof ServerProblem ? error.body.current : undefined;
      if (current) {
        // Another window was faster: its changes stay, and ours go on top of them.
        dispatch(confirmed({ ids: [], view: current }));
        dispatch(noticed("This job was changed in another window too. Both changes are kept, yours on top."));
        continue;
      }
      const view = await server.viewJob(id).catch(() => null);
      if (view) dispatch(confirmed({ ids, view }));
      dispatch(noticed(sentenceOf(error), "wrong"));
      if (!view) return;
    }
  }
};

/** Waits until the server has everything. */
export const settled = (): Thunk<Promise<void>> => (dispatch) => dispatch(send());

/** Takes the last step back, or makes it again, once everything before it is saved, however fast it is asked for. */
export const step =
  (way: "undo" | "redo"): Thunk<Promise<void>> =>
  (dispatch) =>
    inLine(async () => {
      await dispatch(sendAll());
      await dispatch(stepNow(way));
    });

const stepNow =
  (way: "undo" | "redo"): Thunk<Promise<void>> =>
  async (dispatch, getState) => {
    const { id, version } = getState().openJob;
    if (id === null) return;
    try {
      dispatch(opened(await server[way](id, version)));
    } catch (error) {
      const current = error instanceof ServerProblem ? error.body.current : undefined;
      if (current) dispatch(opened(current));
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
