import type { SheetPlan } from "@wide-quilt/core";

/**
 * The pages that are seen with one of them. As in a book the first lies alone at the right, then two and three face each
 * other, and so on; or it lies at the left, and one and two do.
 */
export function facing(sheets: readonly SheetPlan[], sheet: SheetPlan, first: "left" | "right"): SheetPlan[] {
  const left =
    first === "right" ? sheet.number - (sheet.number % 2) : sheet.number - ((sheet.number + 1) % 2);
  return sheets.filter(({ number }) => number === left || number === left + 1);
}
