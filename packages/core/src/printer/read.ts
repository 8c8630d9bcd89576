import { fault } from "../job/read.ts";
import { printersFileSchema, type Printer } from "./schema.ts";

export type PrintersReading = { ok: true; printers: Printer[] } | { ok: false; why: string };

/** Checks that a value read from outside is a list of printers. */
export function readPrinters(value: unknown): PrintersReading {
  const parsed = printersFileSchema.safeParse(value);
  if (parsed.success) return { ok: true, printers: parsed.data.printers };
  const isList =
    typeof value === "object" &&
    value !== null &&
    "format" in value &&
    value.format === "wide-quilt-printers";
  const why = isList
    ? fault(parsed.error.issues[0]!).why
    : "This is not a list of printers: its “format” is not “wide-quilt-printers”.";
  return { ok: false, why };
}
