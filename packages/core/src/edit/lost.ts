import type { z } from "zod";
import type { CellByHand, Job } from "../job/index.ts";
import { COMPUTED_SHOT, isByHand } from "../photo/crop/index.ts";
import { photoNumber, photoShot, type CellName, type SheetName } from "../schema/index.ts";
import type { lostSchema } from "./schema.ts";

/** What was set by hand for things that are no longer here, by their names. */
export type Lost = z.infer<typeof lostSchema>;

/**
 * Finds what was set by hand for photos that are no longer in the job, for places that its layout has no more, and
 * graphics and words of sheets that are gone. What is only filtered away is not lost.
 */
export function lostIn(job: Job, cells: ReadonlySet<CellName>, sheets: ReadonlySet<SheetName>): Lost {
  const numbers = new Set(job.stash.map(({ number }) => number));
  const isHere = (name: string) => {
    const number = photoNumber(name);
    return number === null || numbers.has(number);
  };
  const shown = new Set([...cells].map(photoNumber));
  const isLost = (name: CellName, { gone, kept: _kept, ...own }: CellByHand) => {
    if (gone || Object.keys(own).length === 0 || cells.has(name)) return false;
    const number = photoNumber(name);
    // The third print of a photo that is printed twice now is lost; one of a photo that is filtered away is not.
    return number === null || !isHere(name) || shown.has(number);
  };
  const items = [job.graphics, job.shapes, job.texts, job.blocks].flatMap((of) => Object.entries(of));
  return {
    shots: Object.entries(job.shots).flatMap(([name, shot]) =>
      !isHere(name) && isByHand(shot, COMPUTED_SHOT) ? [name] : [],
    ),
    cells: Object.entries(job.cells).flatMap(([name, own]) => (isLost(name, own) ? [name] : [])),
    items: items.flatMap(([name, { sheet }]) => (sheet !== null && !sheets.has(sheet) ? [name] : [])),
  };
}

/** The job without them. */
export function forgetLost(job: Job, lost: Lost): Job {
  const without = <T>(entries: Readonly<Record<string, T>>, names: readonly string[]): Record<string, T> =>
    Object.fromEntries(Object.entries(entries).filter(([name]) => !names.includes(name)));
  return {
    ...job,
    shots: without(job.shots, lost.shots),
    cells: without(job.cells, lost.cells),
    graphics: without(job.graphics, lost.items),
    shapes: without(job.shapes, lost.items),
    texts: without(job.texts, lost.items),
    blocks: without(job.blocks, lost.items),
  };
}

/** What was set by hand for one photo is another’s from now on; what that one had of its own stays. */
export function handOn(job: Job, from: number, to: number): Job {
  const renamed = <T>(entries: Readonly<Record<string, T>>): Record<string, T> => {
    const all: Record<string, T> = {};
    for (const [name, value] of Object.entries(entries)) {
      const next = photoNumber(name) === from ? name.replace(photoShot(from), photoShot(to)) : name;
      if (next === name || !(next in entries)) all[next] = value;
    }
    return all;
  };
  return { ...job, shots: renamed(job.shots), cells: renamed(job.cells) };
}
