import type { Job } from "../job/index.ts";
import { personName } from "../kinds/index.ts";
import type { SheetPlan } from "../plan/index.ts";

/** A file that is written: how many sheets it takes, one after the other, and whose they are. */
export interface OutputFile {
  /** The name of whoever is on all of its sheets; null where they are of several people or of none. */
  person: string | null;
  sheets: number;
}

/**
 * The files of a job, in the order of their sheets. Pixels are a file a sheet; a format with pages is one file, or where
 * everyone has sheets of their own, one for each of them.
 */
export function outputFiles({ ticket }: Job, sheets: readonly SheetPlan[], pages: boolean): OutputFile[] {
  if (ticket.kind !== "portraits" || ticket.sheets !== "per person") {
    return pages
      ? [{ person: null, sheets: sheets.length }]
      : sheets.map(() => ({ person: null, sheets: 1 }));
  }
  const names = new Map(ticket.people.map((person) => [person.shot, personName(person)]));
  const files: (OutputFile & { shot: number | null })[] = [];
  for (const { cells } of sheets) {
    const shots = new Set(cells.map(({ shot }) => shot));
    const shot = shots.size === 1 ? [...shots][0]! : null;
    const last = files.at(-1);
    if (pages && last && last.shot !== null && last.shot === shot) last.sheets++;
    else files.push({ shot, person: shot === null ? null : (names.get(shot) ?? null), sheets: 1 });
  }
  return files.map(({ person, sheets: count }) => ({ person, sheets: count }));
}
