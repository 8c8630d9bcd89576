import type { CellPlan } from "@wide-quilt/core";

const WAYS: Record<string, readonly [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The nearest cell in the direction of an arrow key; null for another key or at the end. */
export function neighbour(cells: readonly CellPlan[], from: CellPlan, key: string): CellPlan | null {
  const way = WAYS[key];
  if (!way) return null;
  const middle = ({ finished: { x, y, width, height } }: CellPlan) =>
    [x + width / 2, y + height / 2] as const;
  const [x, y] = middle(from);
  let best: CellPlan | null = null;
  let least = Infinity;
  for (const cell of cells) {
    const [cx, cy] = middle(cell);
    const ahead = (cx - x) * way[0] + (cy - y) * way[1];
    const aside = Math.abs((cx - x) * way[1]) + Math.abs((cy - y) * way[0]);
    if (ahead <= 0 || aside > ahead) continue;
    const distance = ahead + aside * 2;
    if (distance < least) [best, least] = [cell, distance];
  }
  return best;
}
