import type { Job } from "../job/index.ts";
import type { SheetPlan } from "../plan/index.ts";

/** What a sheet is called where it is chosen or ticked: “C1”, of the second of several pages “2/C1”; else its number. */
export function sheetCalled({ parts, number, title }: SheetPlan): string {
  const [part] = parts;
  if (!part || title === null) return `${number}`;
  return part.scale === 1 && part.page.of > 1 ? `${part.page.number}/${title}` : title;
}

/** Those of these sheets that are to be printed and written now. */
export function madeNow({ making }: Pick<Job, "making">, sheets: readonly SheetPlan[]): SheetPlan[] {
  const only = making.only && new Set(making.only);
  return only ? sheets.filter((sheet) => only.has(sheetCalled(sheet))) : [...sheets];
}
