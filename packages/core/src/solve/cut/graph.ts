import { cutInTwo, cutsAlong, cutsOf, isFinished, named, type Cut, type Hand } from "./hand.ts";

/** A way to cut a piece: the parts that come of it and have to be cut on, one entry for parts that are equal. */
export interface Way {
  cut: Cut;
  parts: readonly number[];
  /** The two distances that the stop can be set to for it. */
  stops: readonly [number, number];
}

/** All pieces of one name, as they lie by that name. */
export interface Kind {
  hand: Hand;
  /** Kinds of more area are cut earlier: no piece comes from a smaller one. */
  area: number;
}

/** Up to so many finished pieces every cut along an edge is looked at; beyond that, those that a person would think of. */
const FEW = 10;

/** The kinds of pieces that can come in hand when a sheet is cut, numbered, each with its ways to be cut. */
export class Kinds {
  private readonly kinds: Kind[] = [];
  private readonly numbers = new Map<string, number>();
  private readonly known = new Map<number, Way[]>();

  constructor(private readonly narrow: boolean) {}

  static for(sheet: Hand): Kinds {
    return new Kinds(sheet.cells.length > FEW);
  }

  /** The number of a piece's kind; null for one that needs no cut: finished, or waste. */
  numberOf(hand: Hand): number | null {
    if (hand.cells.length === 0 || isFinished(hand)) return null;
    const { name, lying } = named(hand);
    const before = this.numbers.get(name);
    if (before !== undefined) return before;
    const number = this.kinds.length;
    this.kinds.push({ hand: lying, area: lying.width * lying.height });
    this.numbers.set(name, number);
    return number;
  }

  kind(number: number): Kind {
    return this.kinds[number]!;
  }

  ways(number: number): readonly Way[] {
    const before = this.known.get(number);
    if (before) return before;
    const { hand } = this.kind(number);
    const ways = (this.narrow ? likelyCuts(hand) : cutsOf(hand)).map((cut): Way => {
      const parts = cutInTwo(hand, cut).flatMap((part) => this.numberOf(part) ?? []);
      const length = cut.along === "x" ? hand.width : hand.height;
      return { cut, parts: [...new Set(parts)], stops: [cut.at, length - cut.at] };
    });
    this.known.set(number, ways);
    return ways;
  }
}

/**
 * Few cuts of a piece with many finished ones: the first edges, with a gap and without, the middle and the last,
 * along the side that parts it into fewer.
 */
function likelyCuts(hand: Hand): Cut[] {
  const across = cutsAlong(hand, "x");
  const down = cutsAlong(hand, "y");
  const cuts = down.length === 0 || (across.length > 0 && across.length <= down.length) ? across : down;
  if (cuts.length <= 4) return cuts;
  const length = cuts[0]!.along === "x" ? hand.width : hand.height;
  const middle = cuts.find(({ at }) => at * 2 === length);
  return [...new Set([...cuts.slice(0, 3), ...(middle ? [middle] : []), cuts.at(-1)!])];
}
