import { chance } from "../../base/chance.ts";
import type { Loose } from "./search.ts";

/** A piece set without regard to how it can be cut. */
export interface Set {
  piece: number;
  x: number;
  y: number;
  width: number;
  height: number;
  turned: boolean;
}

interface Space {
  x: number;
  y: number;
  width: number;
  height: number;
}

/**
 * Sets pieces on sheets of one paper by largest free rectangles, which may overlap: every piece goes where it leaves the
 * shortest side over, and each rectangle it covers is replaced by what is left around it.
 *
 *     ┌────────────┐     piece in the corner: the free rectangles are the one at its right, of full height,
 *     │▓▓▓▓│       │     and the one below, of full width
 *     │────┘       │
 *     └────────────┘
 */
export function setAnyhow({ widths, heights, mayTurn, papers }: Loose, paper: number, seed: number): Set[][] {
  const random = chance(seed);
  const { width, height } = papers[paper]!;
  const key = widths.map((w, i) => w * heights[i]! * (seed === 0 ? 1 : 0.6 + 0.8 * random()));
  const order = widths.map((_, i) => i).sort((a, b) => key[b]! - key[a]! || a - b);
  const sheets: { free: Space[]; sets: Set[] }[] = [];
  for (const piece of order) {
    const ways = [{ width: widths[piece]!, height: heights[piece]!, turned: false }];
    if (mayTurn[piece]!) ways.push({ width: heights[piece]!, height: widths[piece]!, turned: true });
    let best: { sheet: number; set: Set; score: number } | null = null;
    const look = (sheet: number) => {
      for (const { x, y, width: w, height: h } of sheets[sheet]!.free) {
        for (const way of ways) {
          if (way.width > w || way.height > h) continue;
          // Places that are as good are told apart by chance, or each seed would run into the same corner.
          const score = Math.min(w - way.width, h - way.height) + (seed === 0 ? 0 : random());
          if (best && score >= best.score) continue;
          best = { sheet, set: { piece, x, y, ...way }, score };
        }
      }
    };
    sheets.forEach((_, sheet) => look(sheet));
    if (!best) {
      sheets.push({ free: [{ x: 0, y: 0, width, height }], sets: [] });
      look(sheets.length - 1);
    }
    const { sheet, set } = best as unknown as { sheet: number; set: Set };
    sheets[sheet]!.sets.push(set);
    sheets[sheet]!.free = around(sheets[sheet]!.free, set);
  }
  return sheets.map(({ sets }) => sets);
}

function around(free: readonly Space[], set: Set): Space[] {
  const left = free.flatMap((space): Space[] => {
    const right = space.x + space.width;
    const bottom = space.y + space.height;
    const apart =
      set.x >= right || set.x + set.width <= space.x || set.y >= bottom || set.y + set.height <= space.y;
    if (apart) return [space];
    return [
      { ...space, width: set.x - space.x },
      { ...space, x: set.x + set.width, width: right - set.x - set.width },
      { ...space, height: set.y - space.y },
      { ...space, y: set.y + set.height, height: bottom - set.y - set.height },
    ].filter(({ width, height }) => width > 0 && height > 0);
  });
  const within = (a: Space, b: Space) =>
    a.x >= b.x && a.y >= b.y && a.x + a.width <= b.x + b.width && a.y + a.height <= b.y + b.height;
  return left.filter((a, i) => !left.some((b, k) => k !== i && within(a, b) && (!within(b, a) || k < i)));
}
