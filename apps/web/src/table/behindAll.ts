import { peopleTicket, type Backdrop, type BackdropFill } from "@wide-quilt/core";
import { server } from "../api/client.ts";
import { sentenceOf } from "../api/problem.ts";
import { newId } from "../app/ids.ts";
import { noticed } from "../app/noticeSlice.ts";
import type { Dispatch, State } from "../app/store.ts";
import { behindStands } from "./behindSlice.ts";
import { edit } from "./edits.ts";

/** How many photos are cut out at the same time: one is made while the next one is divided. */
const LANES = 2;

/** Stops putting something behind people; those who have it keep it. */
export const stopBehindAll = () => behindStands(null);

/** Photos of people that have nothing put behind them yet. */
export function photosAsTaken({ openJob: { job, photos } }: State): string[] {
  const ticket = job && peopleTicket(job);
  if (!job || !ticket) return [];
  const ids = ticket.people.flatMap(({ photo }) => photo ?? []);
  return [...new Set(ids)].filter((id) => id in photos && !(id in job.backdrops));
}

/**
 * Puts one colour behind everybody who has nothing put behind them, one after the other while other things are done; all
 * of it is one step to undo. Who cannot be cut out is named at the end.
 */
export const putBehindAll =
  (fill: BackdropFill): ((dispatch: Dispatch, getState: () => State) => Promise<void>) =>
  async (dispatch, getState) => {
    if (getState().behindAll !== null) return;
    const { id } = getState().openJob;
    const gesture = newId();
    const waiting = photosAsTaken(getState());
    const of = waiting.length;
    let done = 0;
    const failed: string[] = [];
    dispatch(behindStands({ done, of }));
    const isWanted = () => getState().behindAll !== null && getState().openJob.id === id;
    const lane = async () => {
      for (let photo = waiting.shift(); photo && isWanted(); photo = waiting.shift()) {
        try {
          const mask = await server.makeMask(photo);
          const made = await server.makeBackdrop(photo, mask.id, fill);
          if (!isWanted()) return;
          const backdrop: Backdrop = { strokes: [], fill, mask: mask.id, made: made.id };
          dispatch(edit({ do: "backdrops", backdrops: { [photo]: backdrop } }, gesture));
        } catch (error) {
          const name = getState().openJob.job?.stash.find((one) => one.id === photo)?.name ?? photo;
          failed.push(`${name}: ${sentenceOf(error)}`);
        }
        done++;
        if (isWanted()) dispatch(behindStands({ done, of }));
      }
    };
    await Promise.all(Array.from({ length: LANES }, lane));
    dispatch(behindStands(null));
    for (const why of failed.slice(0, 3)) dispatch(noticed(why, "look"));
  };
