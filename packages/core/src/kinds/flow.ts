import type { Job, PhotoRef } from "../job/index.ts";
import {
  numberedShot,
  photoCell,
  photoNumber,
  photoShot,
  shotNumber,
  type PhotoId,
  type ShotName,
} from "../schema/index.ts";

/** What a cell shows, and under which names that is kept. */
export interface Slot {
  /** What it has in common with the cells that show the same: a number, or the photo that comes by itself. */
  slot: ShotName;
  /** Where it is kept how the photo sits. */
  shot: ShotName;
  /** The photo that the shot is named after; null where it has a number. */
  of: PhotoId | null;
  /** The photo that is shown. */
  photo: PhotoId | null;
}

/** A photo that comes by itself, and its slot. */
export interface Flowing extends Slot {
  ref: PhotoRef;
}

/** How the photos of a job come to its cells by themselves. */
export interface Flow {
  /** One after the other. */
  all: readonly Flowing[];
  /** What a slot shows: the photo of its name, or the one at its number. */
  at(slot: ShotName): Slot;
}

/**
 * The photos of a job one after the other, or some of them. Two that were swapped by hand each stand in the other’s place;
 * where one of a ring of swapped photos is not among those that are shown, its place shows the next of the ring, so that
 * every photo is shown once whatever is filtered away:
 *
 *     a→b  b→c  c→a      all three: b c a      without b: a→(b→)c  c→a: c a
 */
export function photoFlow(job: Pick<Job, "stash" | "shots">, from: readonly PhotoRef[] = job.stash): Flow {
  const swapped = Object.entries(job.shots).some(
    ([name, { photo }]) => photo !== null && photoNumber(name) !== null,
  );
  const shows = swapped ? shownInstead(job, from) : (ref: PhotoRef) => ({ photo: ref.id, by: ref });
  const slotOf = (ref: PhotoRef): Flowing => {
    const { photo, by } = shows(ref);
    return { ref, slot: photoShot(ref.number), shot: photoShot(by.number), of: by.id, photo };
  };
  let all: Flowing[] | null = null;
  let named: Map<number, PhotoRef> | null = null;
  return {
    get all() {
      return (all ??= from.map(slotOf));
    },
    at(slot) {
      const put = job.shots[slot]?.photo ?? null;
      const number = photoNumber(slot);
      if (number === null) {
        const ref = put === null ? job.stash[shotNumber(slot) - 1] : undefined;
        return ref ? { ...slotOf(ref), slot } : { slot, shot: slot, of: null, photo: put };
      }
      named ??= new Map(job.stash.map((ref) => [ref.number, ref]));
      const ref = named.get(number);
      return ref ? slotOf(ref) : { slot, shot: slot, of: null, photo: put };
    },
  };
}

/** What stands in the place of a photo where some were swapped by hand, and under whose name it was put there. */
function shownInstead(
  { stash, shots }: Pick<Job, "stash" | "shots">,
  from: readonly PhotoRef[],
): (ref: PhotoRef) => { photo: PhotoId; by: PhotoRef } {
  const shown = new Set(from.map(({ id }) => id));
  const byId = new Map(stash.map((ref) => [ref.id, ref]));
  return (ref) => {
    const seen = new Set<PhotoId>();
    let now = ref;
    for (;;) {
      const put = shots[photoShot(now.number)]?.photo ?? null;
      if (put !== null && shown.has(put)) return { photo: put, by: now };
      const next = put === null || seen.has(put) ? undefined : byId.get(put);
      if (!next) return { photo: ref.id, by: ref };
      seen.add(put!);
      now = next;
    }
  };
}

/** Whether a photo was taken out by hand, so that it does not come by itself. */
export const isOut = ({ cells }: Pick<Job, "cells">, { number }: PhotoRef): boolean =>
  cells[photoCell(number)]?.gone === true;

/** The slot of a line or a person, whose photo the ticket names until another is put in by hand. */
export function ticketSlot({ shots }: Pick<Job, "shots">, number: number, photo: PhotoId | null): Slot {
  const shot = numberedShot(number);
  return { slot: shot, shot, of: null, photo: shots[shot]?.photo ?? photo };
}

/** The slot of a place that waits for a photo: the one that is given this number next. */
export const waitingSlot = (number: number): Slot => {
  const shot = photoShot(number);
  return { slot: shot, shot, of: null, photo: null };
};
