import { sheetOrder, type CellByHand, type Job } from "../job/index.ts";
import { layOut } from "../kinds/index.ts";
import {
  addedSheet,
  isAddedCell,
  isAddedSheet,
  photoNumber,
  type CellName,
  type SheetName,
} from "../schema/index.ts";
import { removeCells } from "./cells.ts";
import { renewed } from "./renew.ts";

/** Adds a bare sheet after another one, given the order that is seen. */
export function addSheet(job: Job, after: SheetName | null, seen: readonly SheetName[]): Job {
  const numbers = job.sheets.order.filter(isAddedSheet).map((name) => Number(name.slice(1)));
  const order = [...seen];
  const at = after === null ? order.length : order.indexOf(after) + 1;
  order.splice(at, 0, addedSheet(Math.max(0, ...numbers) + 1));
  return { ...job, sheets: { ...job.sheets, order } };
}

/**
 * Takes a sheet out with the cells that lie on it; computed ones can be brought back. Where photos flow over sheets, a
 * sheet is only where some of them are now: it is those photos that are taken out. `on` names the cells of the sheet
 * where that is known; which they are may depend on the photos’ records.
 */
export function removeSheet(job: Job, sheet: SheetName, on?: readonly CellName[]): Job {
  const laid = layOut(job, {}).sheets.find(({ name }) => name === sheet);
  const flows = laid?.cells.some(({ slot }) => photoNumber(slot) !== null);
  if (flows) {
    const byHand = Object.entries(job.cells).flatMap(([key, { place }]) =>
      place?.sheet === sheet ? [key] : [],
    );
    return removeCells(job, on ?? [...new Set([...laid!.cells.map(({ key }) => key), ...byHand])]);
  }
  const cells = Object.fromEntries(
    Object.entries(job.cells).flatMap(([key, cell]): [CellName, CellByHand][] => {
      if (cell.place?.sheet !== sheet) return [[key, cell]];
      return isAddedCell(key) ? [] : [[key, { ...cell, gone: true }]];
    }),
  );
  const { order, gone } = job.sheets;
  if (isAddedSheet(sheet))
    return { ...job, cells, sheets: { gone, order: order.filter((one) => one !== sheet) } };
  return { ...job, cells, sheets: { order, gone: [...new Set([...gone, sheet])] } };
}

/** Brings computed cells and sheets back that were taken out. */
export function bringBack(job: Job): Job {
  const cells = Object.fromEntries(
    Object.entries(job.cells).flatMap(([key, { gone: _gone, ...own }]): [CellName, CellByHand][] =>
      Object.keys(own).length > 0 ? [[key, own]] : [],
    ),
  );
  return renewed({ ...job, cells, sheets: { ...job.sheets, gone: [] } });
}

/** Orders sheets; none is lost, even one that was not named or is not seen now. */
export function orderSheets(job: Job, sheets: readonly SheetName[]): Job {
  const computed = layOut(job, {}).sheets.map(({ name }) => name);
  const seen = sheetOrder(job, computed);
  const named = sheets.filter((name) => seen.includes(name));
  const others = [...seen, ...job.sheets.order].filter((name) => !named.includes(name));
  return { ...job, sheets: { ...job.sheets, order: [...new Set([...named, ...others])] } };
}
