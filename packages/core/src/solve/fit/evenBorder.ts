import type { Size } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";

export interface EvenBorder {
  size: Size;
  border: Um;
}

/**
 * The cell that leaves the same white on all four sides of a sheet: as wide as the narrower white is now.
 *
 *     ┌───────────────┐       border = min((W − w)/2, (H − h)/2)
 *     │   ┌───────┐   │       cell   = (W − 2·border) × (H − 2·border)
 *     │   │       │   │
 *     │   └───────┘   │       a micrometre that cannot be halved goes to the cell
 *     └───────────────┘
 *
 * Null when the cell is larger than the sheet, or the white is even already.
 */
export function evenBorder(sheet: Size, cell: Size): EvenBorder | null {
  const [across, down] = [sheet.width - cell.width, sheet.height - cell.height];
  if (across < 0 || down < 0 || Math.abs(across - down) <= 1) return null;
  const border = um(Math.floor(Math.min(across, down) / 2));
  return { size: { width: um(sheet.width - 2 * border), height: um(sheet.height - 2 * border) }, border };
}
