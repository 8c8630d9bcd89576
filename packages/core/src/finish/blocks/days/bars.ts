import type { Day } from "../../../base/day/index.ts";
import type { Note } from "../../../calendar/index.ts";

/** A part of a bar inside one week or month: its days, and in which lane it lies. */
export interface Bar {
  note: Note;
  from: Day;
  to: Day;
  lane: number;
}

/** Lanes side by side at most; what has none is written in its days instead. */
const MOST_LANES = 4;

/** Lays bars over days into lanes, each in the first that is free: those that begin earlier first. */
export function barsIn(notes: readonly Note[], first: Day, last: Day, shown: (day: Day) => boolean): Bar[] {
  const free: Day[] = [];
  return notes
    .filter((note) => note.mark === "bar" && note.first <= last && note.last >= first)
    .sort((a, b) => a.first - b.first || b.last - a.last)
    .flatMap((note): Bar[] => {
      let [from, to] = [Math.max(note.first, first), Math.min(note.last, last)];
      while (from <= to && !shown(from)) from++;
      while (to >= from && !shown(to)) to--;
      if (from > to) return [];
      const found = free.findIndex((end) => end < from);
      const lane = found === -1 ? free.length : found;
      if (lane >= MOST_LANES) return [];
      free[lane] = to;
      return [{ note, from, to, lane }];
    });
}
