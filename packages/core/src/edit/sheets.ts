import { isAddedSheet, sheetOrder, type CellByHand, type Job } from "../job/index.ts";
import { layOut } from "../kinds/index.ts";
import { isOwn } from "./cells.ts";

/** Adds a bare sheet after another one, given the order that is seen. */
export function addSheet(job: Job, after: string | null, seen: readonly string[]): Job {
  const numbers = job.sheets.order.filter(isAddedSheet).map((name) => Number(name.slice(1)));
  const fresh = `a${Math.max(0, ...numbers) + 1}`;
  const order = [...seen];
  order.splice(after === null ? order.length : order.indexOf(after) + 1, 0, fresh);
  return { ...job, sheets: { ...job.sheets, order } };
}

/** Takes a sheet out with the cells that lie on it. Computed ones can be brought back. */
export function removeSheet(job: Job, sheet: string): Job {
  const cells = Object.fromEntries(
    Object.entries(job.cells).flatMap(([key, cell]): [string, CellByHand][] => {
      if (cell.place?.sheet !== sheet) return [[key, cell]];
      return isOwn(key) ? [] : [[key, { gone: true }]];
    }),
  );
  const { order, gone } = job.sheets;
  if (isAddedSheet(sheet))
    return { ...job, cells, sheets: { gone, order: order.filter((one) => one !== sheet) } };
  return { ...job, cells, sheets: { order, gone: [...new Set([...gone, sheet])] } };
}

/** Brings computed cells and sheets back that were taken out. */
export function bringBack(job: Job): Job {
  const cells = Object.fromEntries(Object.entries(job.cells).filter(([, { gone }]) => !gone));
  return { ...job, cells, sheets: { ...job.sheets, gone: [] } };
}

/** Orders sheets; none is lost, even one that was not named. */
export function orderSheets(job: Job, sheets: readonly string[]): Job {
  const all = sheetOrder(job, layOut(job, {}).sheets.length);
  const named = sheets.filter((name) => all.includes(name));
  return {
    ...job,
    sheets: { ...job.sheets, order: [...named, ...all.filter((name) => !named.includes(name))] },
  };
}
