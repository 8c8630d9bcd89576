import { numberedShot, peopleTicket, personName, type CellPlan } from "@wide-quilt/core";
import { noticed, type ChangeOver } from "../app/noticeSlice.ts";
import type { Dispatch, State } from "../app/store.ts";
import { edit } from "./edits.ts";

type Thunk = (dispatch: Dispatch, getState: () => State) => void;

/**
 * Puts a photo in a cell. In a job of people it is that person’s photo then; where somebody else is shown by it already, it
 * is said that both are now, and offered that the two change over.
 */
export const putInCell =
  ({ key, shot }: CellPlan, photo: string): Thunk =>
  (dispatch, getState) => {
    const { id, job: before } = getState().openJob;
    dispatch(edit({ do: "put in one", cell: key, photo }));
    const people = (before && peopleTicket(before)?.people) ?? [];
    const one = people.find((person) => numberedShot(person.shot) === shot);
    const other = people.find((person) => person.photo === photo && person !== one);
    if (id === null || !one || !other) return;
    const [name, otherName] = [personName(one), personName(other)];
    const offer = { job: id, photo, one, other: other.shot };
    dispatch(
      noticed(
        `This is ${otherName}’s photo: ${name} and ${otherName} are both shown by it now.`,
        "look",
        offer,
      ),
    );
  };

/** Gives the other one what the first had before, as long as both are still shown by the one photo. */
export const changeOver =
  ({ job: id, photo, one, other }: ChangeOver): Thunk =>
  (dispatch, getState) => {
    const { id: openId, job } = getState().openJob;
    const people = (job && openId === id && peopleTicket(job)?.people) || [];
    const both = people.filter(({ shot }) => shot === one.shot || shot === other);
    if (both.length < 2 || both.some((person) => person.photo !== photo)) {
      dispatch(noticed("The two were changed meanwhile, so nothing was changed over."));
      return;
    }
    const changed = people.map((person) => {
      if (person.shot === one.shot) return { ...person, name: one.name };
      return person.shot === other ? { ...person, photo: one.photo } : person;
    });
    dispatch(edit({ do: "ticket", change: { people: changed } }));
  };
