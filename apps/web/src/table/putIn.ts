import { numberedShot, peopleTicket, personName, type CellPlan } from "@wide-quilt/core";
import { noticed } from "../app/noticeSlice.ts";
import type { Dispatch, State } from "../app/store.ts";
import { edit } from "./edits.ts";

/**
 * Puts a photo in a cell. In a job of people it is that person’s photo then; where somebody else is shown by it already, it
 * is said that both are now, and offered that the two change over.
 */
export const putInCell =
  ({ key, shot }: CellPlan, photo: string): ((dispatch: Dispatch, getState: () => State) => void) =>
  (dispatch, getState) => {
    const before = getState().openJob.job;
    dispatch(edit({ do: "put in one", cell: key, photo }));
    const people = (before && peopleTicket(before)?.people) ?? [];
    const one = people.find((person) => numberedShot(person.shot) === shot);
    const other = people.find((person) => person.photo === photo && person !== one);
    if (!one || !other) return;
    const [name, otherName] = [personName(one), personName(other)];
    const swapped = people.map((person) => {
      if (person === one) return { ...person, photo };
      return person === other ? { ...person, photo: one.photo } : person;
    });
    dispatch(
      noticed(`This is ${otherName}’s photo: ${name} and ${otherName} are both shown by it now.`, "look", {
        says: "Change the two over",
        edit: { do: "ticket", change: { people: swapped } },
      }),
    );
  };
