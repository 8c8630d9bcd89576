import type { SheetPlan } from "@wide-quilt/core";

/**
 * The pages that are seen with one of them: as in a book the first lies alone at the right, then two and three face each
 * other, and so on.
 */
export function facing(sheets: readonly SheetPlan[], sheet: SheetPlan): SheetPlan[] {
  const left = sheet.number - (sheet.number % 2);
  return sheets.filter(({ number }) => number === left || number === left + 1);
}
