import type { SheetPlan } from "../../plan/index.ts";
import type { Unit } from "../../base/length/index.ts";
import { counted, type Counting } from "./frame.ts";

/** The columns of the table, as they are headed. */
export const POSITION_HEADINGS = [
  ...["page", "cell", "shot", "x", "y", "width", "height", "tilt", "unit", "ppi", "from"],
] as const;

/** Decimals that a micrometre needs in each unit, so that what is read back is the same to it. */
export const DECIMALS: Record<Unit, number> = { mm: 3, cm: 4, in: 6, pt: 4, px: 4 };

/**
 * Where every cell is, as comma separated values (RFC 4180) with points as decimal signs: one cell a line, by page and
 * number, measured before it is tilted about its middle.
 */
export function positionsCsv(sheets: readonly SheetPlan[], counting: Counting): string {
  const { unit, ppi, corner } = counting;
  const figure = (value: number) => String(Number(value.toFixed(DECIMALS[unit])));
  const lines = sheets.flatMap(({ number, paper, cells }) =>
    [...cells]
      .sort((a, b) => a.number - b.number)
      .map((cell) => {
        const { x, y, width, height } = counted(cell.finished, paper, counting);
        return [
          ...[number, cell.number, cell.slot],
          ...[x, y, width, height].map(figure),
          ...[Number(cell.angle.toFixed(4)), unit, unit === "px" ? ppi : "", corner],
        ].join(",");
      }),
  );
  return [POSITION_HEADINGS.join(","), ...lines, ""].join("\r\n");
}
