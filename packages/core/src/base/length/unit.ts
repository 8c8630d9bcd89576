import { UM_PER_INCH } from "./um.ts";

/** The units a person may type and read. A px is a pixel of the sheet, so it needs the sheet's ppi. */
export const UNITS = ["mm", "cm", "in", "pt", "px"] as const;
export type Unit = (typeof UNITS)[number];

/** Micrometres in one of a unit. A point is 1/72 inch, as in PDF (ISO 32000-2, 8.3.2.3). */
export function umPer(unit: Unit, ppi: number): number {
  switch (unit) {
    case "mm":
      return 1000;
    case "cm":
      return 10_000;
    case "in":
      return UM_PER_INCH;
    case "pt":
      return UM_PER_INCH / 72;
    case "px":
      return UM_PER_INCH / ppi;
  }
}
