import { server, type SentEdit } from "../api/client.ts";
import { NoAnswer, sentenceOf, ServerProblem } from "../api/problem.ts";
import { afterFrame } from "../app/afterFrame.ts";
import { noticed } from "../app/noticeSlice.ts";
import type { Dispatch, State } from "../app/store.ts";
import { thisWindow } from "../app/thisWindow.ts";
import { changed, gone, opened, refused, waiting } from "./openJob.ts";
import { keepPending, pendingOf } from "./outbox.ts";

type Thunk<T = void> = (dispatch: Dispatch, getState: () => State) => T;

/** Milliseconds before a server that does not answer is asked again; the last goes on for ever. */
const PATIENCE = [500, 1000, 2000, 4000];

export const again = (tries: number): Promise<void> =>
  new Promise((go) => setTimeout(go, PATIENCE[Math.min(tries, PATIENCE.length - 1)]));

/** What is on its way to the server: one thing after the other, as each is made on what the one before it left. */
let line: Promise<void> = Promise.resolve();
let sending: Promise<void> | null = null;

export const inLine = (act: () => Promise<void>): Promise<void> => (line = line.then(act, act));

/**
 * Sends what is pending, one lot after the other; there is never more than one lot on its way. First the change is
 * shown: asking takes as long as a third of a frame.
 */
export const send = (): Thunk<Promise<void>> => (dispatch) =>
  (sending ??= inLine(() =>
    new Promise<void>(afterFrame).then(() => dispatch(sendAll())).finally(() => (sending = null)),
  ));

/** The most edits in one lot; the server takes no more. */
const LOT = 500;

/** Whether a job is not there any more. */
export const isGone = (error: unknown): boolean =>
  error instanceof ServerProblem && error.body.type === "/problems/no-such-job";

/** Sends everything that is pending of the job on the table. */
export const sendAll = (): Thunk<Promise<void>> => async (dispatch, getState) => {
  let silent = 0;
  let most = LOT;
  for (;;) {
    const { id, version, pending, waits } = getState().openJob;
    if (id === null || pending.length === 0) {
      // What the server said over another line may have confirmed everything.
      if (waits) dispatch(waiting(false));
      return;
    }
    const lot = pending.slice(0, most);
    try {
      const change = await server.sendEdits(id, version, lot);
      silent = 0;
      most = LOT;
      dispatch(waiting(false));
      dispatch(changed(change));
      keepPending(id, thisWindow.name, getState().openJob.id === id ? getState().openJob.pending : []);
      if (getState().openJob.isBehind) await dispatch(lookAgain());
    } catch (error) {
      // What is left of a job that is not on the table any more is sent by whoever took it off.
      if (getState().openJob.id !== id) return;
      if (error instanceof NoAnswer) {
        dispatch(waiting(true));
        await again(silent++);
      } else if (isGone(error)) {
        keepPending(id, thisWindow.name, []);
        dispatch(gone(id));
        return;
      } else if (lot.length > 1) {
        // One of them is refused: sent one by one, the others are not lost with it.
        most = 1;
      } else {
        dispatch(refused(lot[0]!.id));
        keepPending(id, thisWindow.name, getState().openJob.pending);
        dispatch(noticed(sentenceOf(error), "wrong"));
      }
    }
  }
};

/** Asks for the job on the table as it is now. */
export const lookAgain = (): Thunk<Promise<void>> => async (dispatch, getState) => {
  const { id } = getState().openJob;
  if (id === null) return;
  try {
    const view = await server.viewJob(id);
    dispatch(opened(view));
  } catch (error) {
    if (isGone(error)) dispatch(gone(id));
  }
};

/** Jobs that left the table before everything of them was saved, and how their sending is stopped. */
const elsewhere = new Map<string, () => Promise<SentEdit[]>>();

/** Goes on sending what is left of a job that leaves the table. */
export function sendElsewhere(job: string, client: string, edits: readonly SentEdit[]): void {
  if (edits.length === 0) return;
  let left = [...edits];
  let isStopped = false;
  const sendLeft = async () => {
    for (let silent = 0; left.length > 0 && !isStopped;) {
      const lot = left.slice(0, silent > 0 && left.length > 1 ? 1 : LOT);
      try {
        const { taken } = await server.sendEdits(job, undefined, lot, client);
        left = left.slice(left.findIndex(({ id }) => id === taken) + 1);
      } catch (error) {
        if (isGone(error)) left = [];
        else if (error instanceof NoAnswer) await again(silent++);
        else if (lot.length === 1) left = left.slice(1);
        else silent++;
      }
      keepPending(job, client, left);
    }
  };
  const over = sendLeft().finally(() => elsewhere.delete(job));
  elsewhere.set(job, async () => {
    isStopped = true;
    await over;
    return left;
  });
}

/** What is still to be sent of a job that comes on the table: from this window, and from those that are gone. */
export async function takeUp(job: string): Promise<SentEdit[]> {
  await thisWindow.settled;
  const own = (await elsewhere.get(job)?.()) ?? [];
  const kept = await pendingOf(job);
  let left = own;
  for (const { client, edits } of kept) {
    if (client === thisWindow.name) {
      if (own.length === 0) left = edits;
    } else if (!(await thisWindow.isOpen(client))) {
      sendElsewhere(job, client, edits);
      await elsewhereDone(job);
    }
  }
  return left;
}

/** How long the edits of a window that is gone are waited for before the job is shown, in milliseconds. */
const SOON = 1500;

const elsewhereDone = (job: string): Promise<unknown> =>
  Promise.race([
    new Promise((go) => setTimeout(go, SOON)),
    new Promise<void>((done) => {
      const look = () => (elsewhere.has(job) ? setTimeout(look, 20) : done());
      look();
    }),
  ]);
