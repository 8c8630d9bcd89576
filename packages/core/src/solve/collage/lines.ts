import type { Rect, Size } from "../../base/geometry/index.ts";
import { um } from "../../base/length/index.ts";
import { divide, equal } from "./divide.ts";

/** Rows, each divided across; or columns, each divided down. */
export type Along = "rows" | "columns";

/** One row or column: its share of the height or width, and the shares of its cells. */
export interface Strip {
  share: number;
  shares: readonly number[];
}

/**
 * Cells in rows or columns that fill an area to the micrometre, in reading order along the strips.
 *
 *     rows      ┌────┬────┐     columns   ┌───┬─────┐
 *               ├──┬─┴┬───┤               │   ├─────┤
 *               └──┴──┴───┘               ├───┤     │
 *                                         └───┴─────┘
 *
 * Null when gaps leave nothing for some cell.
 */
export function cellsOfStrips(
  area: Size,
  strips: readonly Strip[],
  gap: number,
  along: Along,
): Rect[] | null {
  const rows = along === "rows";
  const across = divide(
    rows ? area.height : area.width,
    strips.map(({ share }) => share),
    gap,
  );
  if (!across) return null;
  const cells: Rect[] = [];
  for (const [i, { shares }] of strips.entries()) {
    const spans = divide(rows ? area.width : area.height, shares, gap);
    if (!spans) return null;
    const strip = across[i]!;
    const thick = um(strip.to - strip.from);
    for (const { from, to } of spans) {
      const long = um(to - from);
      cells.push(
        rows
          ? { x: from, y: strip.from, width: long, height: thick }
          : { x: strip.from, y: from, width: thick, height: long },
      );
    }
  }
  return cells;
}

/**
 * Sizes solved backwards: a finished area divided into strips of given counts. “Four rows; the second of three, the
 * last of one, the others of two” is `byCounts(area, [2, 3, 2, 1], gap, "rows")`.
 */
export const byCounts = (area: Size, counts: readonly number[], gap: number, along: Along): Rect[] | null =>
  cellsOfStrips(
    area,
    counts.map((count) => ({ share: 1, shares: equal(count) })),
    gap,
    along,
  );
