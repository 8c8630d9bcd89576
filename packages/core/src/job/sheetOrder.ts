import type { Job } from "./schema.ts";

/** Whether a sheet was added by hand: its name begins with "a". */
export const isAddedSheet = (sheet: string): boolean => sheet.startsWith("a");

/** The order in which the sheets of a job are seen, by name, given how many are computed. */
export function sheetOrder({ sheets: { order, gone } }: Pick<Job, "sheets">, computed: number): string[] {
  const there = new Set(Array.from({ length: computed }, (_, i) => String(i + 1)));
  const first = new Set(order.filter((name) => isAddedSheet(name) || there.has(name)));
  return [...new Set([...first, ...there])].filter((name) => !gone.includes(name));
}
