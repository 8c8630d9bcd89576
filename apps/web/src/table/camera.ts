import { peopleTicket, personName, type Person } from "@wide-quilt/core";
import type { TakenPhoto, WatchView } from "@wide-quilt/server/contract";
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
      const taken = await server.addPhoto(file);
      if ("refused" in taken) {
        dispatch(noticed(`${taken.refused.name}: ${taken.refused.why}`, "wrong"));
        return false;
      }
      dispatch(putToPerson(taken.photo, person.shot));
      return true;
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
      return false;
    }
  };

/** What came into the watched folder goes to the person whose turn it is; while it is nobody’s turn, it comes as photos do. */
export const takeWatched =
  ({ came }: WatchView, shot: number | null): Thunk<void> =>
  (dispatch, getState) => {
    for (const { taken } of came) {
      if ("refused" in taken) {
        dispatch(noticed(`${taken.refused.name}: ${taken.refused.why}`, "look"));
        continue;
      }
      const known = getState().openJob.job?.stash.some(({ id }) => id === taken.photo.id);
      if (!known) dispatch(shot === null ? putIn(taken.photo) : putToPerson(taken.photo, shot));
    }
  };

const putIn =
  ({ id, name, ...record }: TakenPhoto): Thunk<void> =>
  (dispatch) => {
    dispatch(photosCame({ [id]: record }));
    dispatch(edit({ do: "add photos", photos: [{ id, name }] }));
  };

const putToPerson =
  ({ id, name, ...record }: TakenPhoto, person: number): Thunk<void> =>
  (dispatch) => {
    dispatch(photosCame({ [id]: record }));
    dispatch(edit({ do: "take photo", photo: { id, name }, person }));
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
