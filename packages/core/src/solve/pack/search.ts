import { chance } from "../../base/chance.ts";
import { SheetTree, type Part } from "./sheetTree.ts";

/** What the search works on: pieces and papers grown by the gap, every piece on its own. */
export interface Loose {
  widths: readonly number[];
  heights: readonly number[];
  mayTurn: readonly boolean[];
  papers: readonly { width: number; height: number; cost: number }[];
}

/** How often a good place is overlooked on purpose, so that the search does not always run the same way. */
const OVERLOOK = 0.02;

/**
 * Looks for a layout of the least cost by tearing down some of the sheets and setting their pieces anew, over and over.
 * (Ruin and recreate: G. Schrimpf et al., J. Comput. Phys. 159, 2000; for sheets of straight cuts K. Gardeyn and
 * T. Wauters, EJOR 301, 2022.) The value of a layout rewards one full and one near-empty sheet above two half-full
 * ones, which is what in the end frees a sheet. Deterministic: the same seed goes the same way.
 */
export class Search {
  private readonly random: () => number;
  private now: SheetTree[] = [];
  private value = Infinity;
  best: SheetTree[] = [];
  bestValue = Infinity;
  bestCost = Infinity;

  constructor(
    private readonly loose: Loose,
    seed: number,
  ) {
    this.random = chance(seed);
    const all = loose.widths.map((_, i) => i);
    for (let order = 0; order < ORDERS.length; order++) {
      const sheets: SheetTree[] = [];
      this.settle(sheets, this.ordered(all, order), 0);
      this.keep(sheets);
    }
    this.now = this.best;
    this.value = this.bestValue;
  }

  /** Some more rounds. True when a better layout was found. */
  go(rounds: number): boolean {
    const before = this.bestValue;
    for (let round = 0; round < rounds; round++) this.round();
    return this.bestValue < before;
  }

  private round(): void {
    const { random } = this;
    const sheets = [...this.now];
    const out = this.ruin(sheets);
    this.settle(sheets, this.ordered(out, Math.floor(random() * ORDERS.length)), OVERLOOK);
    const value = this.valueOf(sheets);
    // A little worse is taken now and then, but never much worse than the best.
    if (value <= this.value || value < this.bestValue + 0.04 * random() * random()) {
      this.now = sheets;
      this.value = value;
    }
    this.keep(sheets);
  }

  private keep(sheets: SheetTree[]): void {
    const value = this.valueOf(sheets);
    if (value >= this.bestValue) return;
    this.best = sheets;
    this.bestValue = value;
    this.bestCost = sheets.reduce((sum, { paper }) => sum + this.loose.papers[paper]!.cost, 0);
  }

  /** Takes pieces off one to three sheets, mostly all of them, the emptiest sheet more often than others. */
  private ruin(sheets: SheetTree[]): number[] {
    const { random } = this;
    const out: number[] = [];
    const times = Math.min(sheets.length, 1 + Math.floor(random() * 3));
    for (let time = 0; time < times && sheets.length > 0; time++) {
      const index = time === 0 && random() < 0.5 ? emptiest(sheets) : Math.floor(random() * sheets.length);
      const sheet = sheets[index]!;
      if (random() < 0.4) {
        for (const { holds } of sheet.pieces) out.push(holds);
        sheets.splice(index, 1);
        continue;
      }
      const torn = sheet.copy();
      const share = 0.2 + 0.6 * random();
      for (let i = torn.pieces.length - 1; i >= 0; i--) if (random() < share) out.push(torn.take(i));
      if (torn.pieces.length === 0) sheets.splice(index, 1);
      else sheets[index] = torn;
    }
    return out;
  }

  /** Sets pieces one by one where they leave the narrowest strip, on a new sheet when they fit nowhere. */
  private settle(sheets: SheetTree[], order: readonly number[], overlook: number): void {
    const { widths, heights, mayTurn } = this.loose;
    const own = new Set<SheetTree>();
    for (const piece of order) {
      const [w, h] = [widths[piece]!, heights[piece]!];
      let best = Infinity;
      let bestSheet = -1;
      let bestPart: Part | null = null;
      let turned = false;
      for (let s = 0; s < sheets.length; s++) {
        for (const free of sheets[s]!.free) {
          for (let way = 0; way < (mayTurn[piece]! && w !== h ? 2 : 1); way++) {
            const restX = free.width - (way === 0 ? w : h);
            const restY = free.height - (way === 0 ? h : w);
            if (restX < 0 || restY < 0) continue;
            const score = Math.min(restX, restY);
            if (score >= best || (overlook > 0 && this.random() < overlook)) continue;
            best = score;
            bestSheet = s;
            bestPart = free;
            turned = way === 1;
          }
        }
      }
      if (!bestPart) {
        const fresh = this.freshSheet(w, h, mayTurn[piece]!);
        sheets.push(fresh);
        own.add(fresh);
        bestSheet = sheets.length - 1;
        bestPart = fresh.free[0]!;
        turned =
          mayTurn[piece]! &&
          (w > fresh.width ||
            h > fresh.height ||
            (this.random() < 0.5 && h <= fresh.width && w <= fresh.height));
      } else if (!own.has(sheets[bestSheet]!)) {
        const at = sheets[bestSheet]!.free.indexOf(bestPart);
        const { x, y } = sheets[bestSheet]!.free[at]!;
        const copy = sheets[bestSheet]!.copy();
        own.add(copy);
        sheets[bestSheet] = copy;
        bestPart = copy.free.find((part) => part.x === x && part.y === y)!;
      }
      const pw = turned ? h : w;
      const ph = turned ? w : h;
      const restX = bestPart.width - pw;
      const restY = bestPart.height - ph;
      // The cut that leaves the larger single part is mostly the better one.
      const across = restX * ph > restY * pw === this.random() < 0.15;
      sheets[bestSheet]!.put(bestPart, piece, pw, ph, turned, across);
    }
  }

  /**
   * One sheet of the best layout set anew on the cheapest paper that holds its pieces, equal sizes in rows beside each
   * other, where that works with straight cuts: that takes the fewest of them.
   */
  tidied(sheet: SheetTree): SheetTree {
    const { papers, widths, heights } = this.loose;
    const pieces = sheet.pieces.map(({ holds }) => holds);
    const cheaper = papers
      .map(({ width, height, cost }, paper) => ({ paper, width, height, cost }))
      .filter(({ cost }) => cost <= papers[sheet.paper]!.cost)
      .sort((a, b) => a.cost - b.cost || a.width * a.height - b.width * b.height);
    let best: { tree: SheetTree; cuts: number } | null = null;
    for (const { paper, width, height } of cheaper) {
      for (const { order, across, upright } of TIDY) {
        const tree = new SheetTree(paper, width, height);
        const inOrder = [...pieces].sort(
          (a, b) => order(widths[b]!, heights[b]!) - order(widths[a]!, heights[a]!) || a - b,
        );
        if (!this.inRows(tree, inOrder, across, upright)) continue;
        const cuts = tree.cuts;
        if (!best || cuts < best.cuts) best = { tree, cuts };
      }
      if (best) break;
    }
    return best && (best.tree.paper !== sheet.paper || best.cuts <= sheet.cuts) ? best.tree : sheet;
  }

  /** Sets pieces each in the first free part, from the top left, that holds it. False when one does not fit. */
  private inRows(tree: SheetTree, pieces: readonly number[], across: boolean, upright: boolean): boolean {
    const { widths, heights, mayTurn } = this.loose;
    for (const piece of pieces) {
      const [w, h] = [widths[piece]!, heights[piece]!];
      const lies = mayTurn[piece]! && w > h === upright;
      let found: { part: Part; turned: boolean } | null = null;
      for (const turned of mayTurn[piece]! ? [lies, !lies] : [false]) {
        const [pw, ph] = turned ? [h, w] : [w, h];
        for (const part of tree.free) {
          if (part.width < pw || part.height < ph) continue;
          if (!found || part.y < found.part.y || (part.y === found.part.y && part.x < found.part.x))
            found = { part, turned };
        }
        if (found) break;
      }
      if (!found) return false;
      tree.put(found.part, piece, found.turned ? h : w, found.turned ? w : h, found.turned, across);
    }
    return true;
  }

  private freshSheet(w: number, h: number, mayTurn: boolean): SheetTree {
    const { papers } = this.loose;
    const fitting = papers
      .map((paper, index) => ({ ...paper, index }))
      .filter((p) => (w <= p.width && h <= p.height) || (mayTurn && h <= p.width && w <= p.height));
    const chosen = fitting[Math.floor(this.random() * fitting.length)]!;
    return new SheetTree(chosen.index, chosen.width, chosen.height);
  }

  private valueOf(sheets: readonly SheetTree[]): number {
    let value = 0;
    for (const { paper, used, width, height } of sheets) {
      const full = used / (width * height);
      value += this.loose.papers[paper]!.cost * (1 - 0.5 * full * full);
    }
    return value;
  }

  private ordered(pieces: readonly number[], order: number): number[] {
    const { random } = this;
    const measure = ORDERS[order]!;
    const { widths, heights } = this.loose;
    const keys = new Map(pieces.map((i) => [i, measure(widths[i]!, heights[i]!, random())]));
    return [...pieces].sort((a, b) => keys.get(b)! - keys.get(a)! || a - b);
  }
}

type Order = (width: number, height: number, chance: number) => number;

/** What pieces are set by, the most first. */
const ORDERS: readonly Order[] = [
  (w, h) => w * h,
  (w, h) => Math.max(w, h) * 1e6 + Math.min(w, h),
  (w, h) => Math.min(w, h) * 1e6 + Math.max(w, h),
  (w, h, c) => w * h * (0.6 + 0.8 * c),
  (w, h, c) => (w + h) * (0.6 + 0.8 * c),
  (_w, _h, c) => c,
];

/** Ways to set a sheet in rows or columns of equal pieces. */
const TIDY = [
  (w: number, h: number) => Math.max(w, h) * 1e7 + Math.min(w, h),
  (w: number, h: number) => Math.min(w, h) * 1e7 + Math.max(w, h),
  (w: number, h: number) => w * h,
].flatMap((order) =>
  [true, false].flatMap((across) => [true, false].map((upright) => ({ order, across, upright }))),
);

function emptiest(sheets: readonly SheetTree[]): number {
  let index = 0;
  for (let s = 1; s < sheets.length; s++) if (sheets[s]!.used < sheets[index]!.used) index = s;
  return index;
}
