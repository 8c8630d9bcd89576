import { fault } from "../../schema/fault.ts";
import { printersFileSchema, SHIPPED_CURRENCY, type Printer } from "./schema.ts";

export type PrintersReading = { ok: true; printers: Printer[] } | { ok: false; why: string };

/** Checks that a value read from outside is a list of printers, of this version or the one before. */
export function readPrinters(given: unknown): PrintersReading {
  const value = upToDate(given);
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

type Values = Record<string, unknown>;

const isObject = (value: unknown): value is Values =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Prices of version 1 did not say what they were in. */
function upToDate(value: unknown): unknown {
  if (!isObject(value) || value.version !== 1 || !Array.isArray(value.printers)) return value;
  return { ...value, version: 2, printers: value.printers.map(withCurrency) };
}

/** A printer as it is kept now. */
export function withCurrency<T>(printer: T): T {
  if (!isObject(printer) || !isObject(printer.price)) return printer;
  return { ...printer, price: { currency: SHIPPED_CURRENCY, ...printer.price } };
}
