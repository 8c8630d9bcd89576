import { peopleTicket, personName, type Person } from "@wide-quilt/core";
import type { TakenIn } from "@wide-quilt/server/contract";
import { server } from "../api/client.ts";
import { sentenceOf } from "../api/problem.ts";
import { noticed } from "../app/noticeSlice.ts";
import type { Dispatch, State } from "../app/store.ts";
import { edit } from "./edits.ts";
import { photosCame } from "./openJob.ts";

type Thunk<T> = (dispatch: Dispatch, getState: () => State) => T;

/** Keeps a picture that the camera took of somebody. Says whether it could. */
export const keepPicture =
  (picture: Blob, person: Person): Thunk<Promise<boolean>> =>
  async (dispatch, getState) => {
    const { job } = getState().openJob;
    const names = new Set(job?.stash.map(({ name }) => name.toLowerCase()));
    try {
      const file = new File([picture], freeName(personName(person), names), { type: picture.type });
      return dispatch(taken(await server.addPhoto(file), person.shot));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
      return false;
    }
  };

/** Puts what the server took in into the job, unless it is there: as somebody’s, or while it is nobody’s turn as photos come. */
export const taken =
  (one: TakenIn, person: number | null): Thunk<boolean> =>
  (dispatch, getState) => {
    if ("refused" in one) {
      dispatch(noticed(`${one.refused.name}: ${one.refused.why}`, "wrong"));
      return false;
    }
    const { id, name, ...record } = one.photo;
    if (getState().openJob.job?.stash.some((known) => known.id === id)) return true;
    const photo = { id, name };
    dispatch(photosCame({ [id]: record }));
    dispatch(
      edit(person === null ? { do: "add photos", photos: [photo] } : { do: "take photo", photo, person }),
    );
    return true;
  };

/** Whose turn it is after somebody: the next one without a photo, from there on and then from the start; null where all have one. */
export function nextTurn({ job }: State["openJob"], after: number | null): number | null {
  const people = (job && peopleTicket(job)?.people) ?? [];
  const at = people.findIndex(({ shot }) => shot === after);
  const order = [...people.slice(at + 1), ...people.slice(0, at + 1)];
  return order.find(({ photo, shot }) => photo === null && shot !== after)?.shot ?? null;
}

/** "Linnea Voss.jpg", or "Linnea Voss 2.jpg" where there is one already. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  const base = name.replace(/[\\/:*?"<>|]/g, "-");
  for (let number = 1; ; number++) {
    const file = number === 1 ? `${base}.jpg` : `${base} ${number}.jpg`;
    if (!taken.has(file.toLowerCase())) return file;
  }
}
