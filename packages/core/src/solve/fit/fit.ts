import { onItsSide, type Size } from "../../base/geometry/index.ts";
import type { Um } from "../../base/length/index.ts";

/** What is to be fitted: identical pieces, a gap between them, and the area inside a sheet's margins. */
export interface FitQuestion {
  piece: Size;
  area: Size;
  gap: Um;
}

/** Columns and rows of identical pieces that fit on one sheet. */
export interface GridFit {
  columns: number;
  rows: number;
  /** columns × rows; 0 when not even one piece fits. */
  count: number;
  /** Whether the pieces lie on their side. */
  turned: boolean;
}

/** Ways that pieces may lie on a paper. */
export type PieceTurn = "upright" | "turned" | "better";

/**
 * How many pieces of one size stand in a plain grid on one sheet.
 *
 *     |<------------- inside the margins ------------->|
 *     |[ piece ]gap[ piece ]gap[ piece ]     left over |      n·piece + (n − 1)·gap ≤ inside
 */
export function fitGrid(question: FitQuestion, turn: PieceTurn): GridFit {
  if (turn === "better") {
    const upright = fitGrid(question, "upright");
    const turned = fitGrid(question, "turned");
    return turned.count > upright.count ? turned : upright;
  }
  const piece = turn === "turned" ? onItsSide(question.piece) : question.piece;
  const columns = countAlong(question.area.width, piece.width, question.gap);
  const rows = countAlong(question.area.height, piece.height, question.gap);
  return { columns, rows, count: columns * rows, turned: turn === "turned" };
}

/** How many pieces of one length stand in a row with a gap between them. */
function countAlong(space: number, piece: number, gap: number): number {
  return Math.max(0, Math.floor((space + gap) / (piece + gap)));
}

/**
 * The block of a grid that a smaller number of pieces is set in: the fewest empty places, then the fewest
 * cuts, then the wider block. Eight pieces on a sheet of 5 × 6 are set as 4 × 2, not as a row of 5 and one of 3.
 */
export function blockFor(count: number, fit: GridFit): { columns: number; rows: number } {
  let best = { columns: fit.columns, rows: fit.rows };
  if (count >= fit.count) return best;
  let bestRank = [Infinity, Infinity];
  for (let columns = Math.min(fit.columns, count); columns >= 1; columns--) {
    const rows = Math.ceil(count / columns);
    if (rows > fit.rows) break;
    const rank = [columns * rows - count, columns + rows];
    if (rank[0]! < bestRank[0]! || (rank[0] === bestRank[0] && rank[1]! < bestRank[1]!)) {
      best = { columns, rows };
      bestRank = rank;
    }
  }
  return best;
}
