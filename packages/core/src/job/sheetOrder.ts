import { isAddedSheet, type SheetName } from "../schema/index.ts";
import type { Job } from "./schema.ts";

/** The order in which the sheets of a job are seen, given the computed ones. */
export function sheetOrder(
  { sheets: { order, gone } }: Pick<Job, "sheets">,
  computed: readonly SheetName[],
): SheetName[] {
  const there = new Set(computed);
  const first = new Set(order.filter((name) => isAddedSheet(name) || there.has(name)));
  return [...new Set([...first, ...there])].filter((name) => !gone.includes(name));
}
