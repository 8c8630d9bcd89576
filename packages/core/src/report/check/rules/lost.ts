import { lostIn, type Lost } from "../../../edit/index.ts";
import type { Job } from "../../../job/index.ts";
import { isByHand } from "../../../photo/crop/index.ts";
import { photoCell, photoNumber, photoShot, type CellName, type SheetName } from "../../../schema/index.ts";
import type { Finding, Mend, Rule } from "../finding.ts";

/** What was set by hand for something that is no longer here, and what stands on another sheet since its own is gone. */
export const lost: Rule = ({ job, sheets }) => {
  const names = new Set(sheets.map(({ id }) => id));
  const keys = new Set(sheets.flatMap(({ cells }) => cells.map(({ key }) => key)));
  return [...lostByHand(job, lostIn(job, keys, names)), ...strays(job, keys, names)];
};

function lostByHand(job: Job, found: Lost): Finding[] {
  const count = found.shots.length + found.cells.length + found.items.length;
  if (count === 0) return [];
  return [
    {
      rule: "lost-by-hand",
      level: "look",
      sentence: sayLost(found),
      cells: [],
      mend: { label: count === 1 ? "Forget it" : "Forget them", edit: { do: "forget lost", ...found } },
      orElse: handOn(job, found),
    },
  ];
}

/** Cells whose sheet is gone: they stand on the last one. */
function strays(job: Job, keys: ReadonlySet<CellName>, sheets: ReadonlySet<SheetName>): Finding[] {
  const last = [...sheets].at(-1);
  const found = Object.entries(job.cells).filter(
    ([key, { place }]) => place && keys.has(key) && !sheets.has(place.sheet),
  );
  if (found.length === 0 || last === undefined) return [];
  const one = found.length === 1;
  const moved = found.map(([key, { place, shot }]) => [
    key,
    { place: { ...place!, sheet: last }, ...(shot !== undefined && { shot }) },
  ]);
  return [
    {
      rule: "stray-cell",
      level: "look",
      sentence: `${one ? "One cell was put on a sheet that is no longer here; it stands" : `${found.length} cells were put on sheets that are no longer here; they stand`} on the last one.`,
      cells: found.map(([key]) => key),
      mend: {
        label: one ? "Leave it there" : "Leave them there",
        edit: { do: "place", cells: Object.fromEntries(moved) },
      },
    },
  ];
}

/** "One crop and 2 places belong to a photo that is no longer here." */
function sayLost({ shots, cells, items }: Lost): string {
  const ofPhotos = cells.filter((name) => photoNumber(name) !== null);
  const photos = new Set([...shots, ...ofPhotos].map(photoNumber)).size;
  const parts = [
    photos > 0 &&
      `${both([some(shots.length, "crop", "crops"), some(ofPhotos.length, "cell set by hand", "cells set by hand")])} ${
        shots.length + ofPhotos.length === 1 ? "belongs" : "belong"
      } to ${photos === 1 ? "a photo" : "photos"} that ${photos === 1 ? "is" : "are"} no longer here.`,
    cells.length > ofPhotos.length &&
      `${some(cells.length - ofPhotos.length, "cell", "cells")} that ${
        cells.length - ofPhotos.length === 1 ? "was" : "were"
      } set by hand ${cells.length - ofPhotos.length === 1 ? "is" : "are"} not in the layout any more.`,
    items.length > 0 &&
      `${some(items.length, "graphic or box of words", "graphics and boxes of words")} ${
        items.length === 1 ? "belongs" : "belong"
      } to a sheet that is no longer here.`,
  ];
  const said = parts.filter((part) => part !== false).join(" ");
  return said.charAt(0).toUpperCase() + said.slice(1);
}

const some = (count: number, one: string, more: string): string =>
  count === 0 ? "" : count === 1 ? `one ${one}` : `${count} ${more}`;

const both = (parts: readonly string[]): string => parts.filter((part) => part !== "").join(" and ");

/** Where all of it is of one photo, the next one of the job that has nothing of its own can take it. */
function handOn(job: Job, { shots, cells, items }: Lost): Mend | undefined {
  const numbers = new Set([...shots, ...cells].map(photoNumber));
  const [from] = numbers;
  if (numbers.size !== 1 || from === null || from === undefined || items.length > 0) return undefined;
  const isBare = (number: number) => {
    const shot = job.shots[photoShot(number)];
    return !(photoCell(number) in job.cells) && (!shot || (shot.photo === null && !isByHand(shot)));
  };
  const to =
    job.stash.find(({ number }) => number > from && isBare(number)) ??
    job.stash.findLast(({ number }) => isBare(number));
  return to && { label: `Give it to ${to.name}`, edit: { do: "hand on", from, to: to.number } };
}
