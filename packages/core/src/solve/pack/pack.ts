import { um } from "../../base/length/index.ts";
import { airy } from "./airy.ts";
import { setAnyhow, type Set as Placed } from "./anyhow.ts";
import { packBound } from "./bound.ts";
import { lies } from "./lies.ts";
import { Search, type Loose } from "./search.ts";
import { keptTogether } from "./together.ts";
import type { Packing, PackPlace, PackQuestion, PackSheet } from "./types.ts";

/** Rounds of the search between two looks at the clock; a millisecond or two for a hundred pieces. */
const ROUNDS = 32;

/**
 * Sets pieces out on the fewest sheets, or for the lowest price. The first answer is there at once; each call of
 * `improve` looks a little further. The same question gives the same answers in the same order; only how far one goes
 * depends on the caller's clock.
 *
 *     const packer = new Packer(question);
 *     while (!packer.isProved && clock() < end) if (packer.improve()) show(packer.best());
 */
export class Packer {
  readonly bound: Packing["bound"];
  private readonly search: Search | null;
  private readonly loose: Loose;
  /** Of each loose piece, its index in the question. */
  private readonly pieces: number[] = [];
  private readonly tooLarge: number[] = [];
  private anyhow: { sheets: Placed[][]; paper: number; cost: number } | null = null;
  private seed = 0;

  /** Other seeds look in other orders. */
  constructor(
    readonly question: PackQuestion,
    seed = 1,
  ) {
    const { papers, gap, aim } = question;
    question.pieces.forEach((piece, index) => {
      if (fits(piece, papers)) for (let n = 0; n < piece.quantity; n++) this.pieces.push(index);
      else this.tooLarge.push(index);
    });
    const of = (index: number) => question.pieces[index]!;
    const dearest = Math.max(...papers.map(({ price }) => price), 1e-9);
    this.loose = {
      widths: this.pieces.map((index) => of(index).width + gap),
      heights: this.pieces.map((index) => of(index).height + gap),
      mayTurn: this.pieces.map((index) => of(index).mayTurn),
      papers: papers.map(({ width, height, price }) => ({
        width: width + gap,
        height: height + gap,
        // With equally few sheets the cheaper ones are taken.
        cost: aim === "price" ? Math.max(price / dearest, 1e-3) : 1 + (0.01 * price) / dearest,
      })),
    };
    const fitting = { ...question, pieces: question.pieces.filter((_, i) => !this.tooLarge.includes(i)) };
    this.bound = packBound(fitting);
    this.search = this.pieces.length > 0 ? new Search(this.loose, seed) : null;
    if (question.cuts === "any" && this.search) this.tryAnyhow();
  }

  /** Whether no better answer is possible. */
  get isProved(): boolean {
    if (!this.search) return true;
    if (this.sheetCount > this.bound.sheets) return false;
    return this.question.papers.length === 1 || this.best().price <= this.bound.price;
  }

  private get sheetCount(): number {
    return this.anyhowIsBetter ? this.anyhow!.sheets.length : this.search!.best.length;
  }

  private get anyhowIsBetter(): boolean {
    return this.anyhow !== null && this.anyhow.cost < this.search!.bestCost - 1e-9;
  }

  /** Looks further; true when a better answer was found. */
  improve(): boolean {
    if (!this.search) return false;
    const before = this.search.bestCost;
    this.search.go(ROUNDS);
    const found = this.search.bestCost < before - 1e-9;
    return this.question.cuts === "any" ? this.tryAnyhow() || found : found;
  }

  best(): Packing {
    const out = this.search ? this.setOut().map((sheet) => airy(this.question, sheet)) : [];
    const sheets = keptTogether(this.question, out);
    return {
      sheets,
      tooLarge: this.tooLarge,
      price: sheets.reduce((sum, { paper }) => sum + this.question.papers[paper]!.price, 0),
      bound: this.bound,
    };
  }

  private tryAnyhow(): boolean {
    const { papers, widths, heights, mayTurn } = this.loose;
    const paper = this.seed % papers.length;
    const seed = Math.floor(this.seed++ / papers.length);
    const one = papers[paper]!;
    const holds = (width: number, i: number) =>
      lies({ width, height: heights[i]!, mayTurn: mayTurn[i]! }, one);
    if (!widths.every(holds)) return false;
    const sheets = setAnyhow(this.loose, paper, seed);
    const cost = sheets.length * one.cost;
    const best = Math.min(this.anyhow?.cost ?? Infinity, this.search!.bestCost);
    if (cost >= best - 1e-9) return false;
    this.anyhow = { sheets, paper, cost };
    return true;
  }

  private setOut(): PackSheet[] {
    const { gap } = this.question;
    const place = (
      p: { x: number; y: number; width: number; height: number; turned: boolean },
      piece: number,
    ): PackPlace => ({
      piece: this.pieces[piece]!,
      turned: p.turned,
      x: um(p.x),
      y: um(p.y),
      width: um(p.width - gap),
      height: um(p.height - gap),
    });
    if (this.anyhowIsBetter) {
      const { sheets, paper } = this.anyhow!;
      return sheets.map((sets) => ({ paper, places: sets.map((set) => place(set, set.piece)) }));
    }
    return this.search!.best.map((sheet) => {
      const tidy = this.search!.tidied(sheet);
      return { paper: tidy.paper, places: tidy.pieces.map((part) => place(part, part.holds)) };
    });
  }
}

/** The first answer and a little more: what a plan shows at once. About 20 ms for a hundred pieces. */
export function packQuickly(question: PackQuestion): Packing {
  const packer = new Packer(question);
  const looks = Math.min(
    20,
    Math.ceil(
      1500 /
        Math.max(
          1,
          question.pieces.reduce((sum, p) => sum + p.quantity, 0),
        ),
    ),
  );
  for (let look = 0; look < looks && !packer.isProved; look++) packer.improve();
  return packer.best();
}

const fits = (piece: PackQuestion["pieces"][number], papers: PackQuestion["papers"]): boolean =>
  papers.some((paper) => lies(piece, paper));
