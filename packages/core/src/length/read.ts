import { nearest, type Um } from "./um.ts";
import { umPer, type Unit } from "./unit.ts";

export interface ReadOptions {
  /** The unit of a figure that names none. */
  unit: Unit;
  /** Pixels per inch of the sheet, for figures in px. */
  ppi: number;
}

/** A length, or one sentence that says what was not understood and what would be. */
export type Reading = { ok: true; length: Um } | { ok: false; why: string };

/** A figure on the way: dimension 0 is a bare number, 1 a length in µm. */
interface Figure {
  value: number;
  dimension: 0 | 1;
}

type Token =
  { kind: "number"; value: number } | { kind: "unit"; unit: Unit } | { kind: "sign"; sign: string };

const SPELLINGS: Record<string, Unit | "m"> = {
  mm: "mm",
  cm: "cm",
  m: "m",
  in: "in",
  inch: "in",
  inches: "in",
  '"': "in",
  "″": "in",
  "”": "in",
  pt: "pt",
  px: "px",
};

const EXAMPLE = "Type a length such as 35mm, 3 1/2 in or 210mm/3 - 2mm.";

class Misread extends Error {}

/**
 * Reads a length as a person types it, sums included. It can be negative: whoever asks sets the range.
 *
 *     "35mm"  "3 1/2 in"  "1.5cm + 2mm"  "1,5 cm"  "210mm/3 - 2mm"  "2 * (35 + 2)"
 *
 *     sum     = product { ("+" | "-") product }
 *     product = figure { ("*" | "×" | "/") figure }        at most one of them a length, none below a "/"
 *     figure  = "-" figure | "(" sum ")" [unit] | number [unit]
 *     number  = 3 | 3.5 | 3,5 | 1/2 before a unit | 3 1/2
 */
export function readLength(text: string, options: ReadOptions): Reading {
  try {
    const tokens = tokenise(text);
    if (tokens.length === 0) throw new Misread(`There is no figure here. ${EXAMPLE}`);
    const reader = new SumReader(tokens, options);
    const value = reader.lengthOf(reader.sum());
    reader.expectEnd();
    if (!Number.isFinite(value)) throw new Misread("This divides by nothing. Check the figure after “/”.");
    if (Math.abs(value) > Number.MAX_SAFE_INTEGER)
      throw new Misread(`This is longer than any paper. ${EXAMPLE}`);
    return { ok: true, length: nearest(value) };
  } catch (error) {
    if (error instanceof Misread) return { ok: false, why: error.message };
    throw error;
  }
}

function tokenise(text: string): Token[] {
  const tokens: Token[] = [];
  // A fraction is one number only as "3 1/2" or directly before a unit; "210/3 - 2" stays a division.
  const pattern =
    /\s*(?:(\d+)\s+(\d+)\/(\d+)|(\d+)\/(\d+)(?=\s*(?:in|inch|inches|"|″|”|mm|cm|m|pt|px)(?![a-z]))|(\d+(?:[.,]\d*)?|[.,]\d+)|([a-z]+|["″”])|([-−+*×/()]))/giy;
  let at = 0;
  while (text.slice(at).trim() !== "") {
    pattern.lastIndex = at;
    const found = pattern.exec(text);
    if (!found) throw new Misread(`“${text.slice(at).trim()}” is not understood here. ${EXAMPLE}`);
    at = pattern.lastIndex;
    const [, whole, above, below, fractionAbove, fractionBelow, plain, word, sign] = found;
    if (whole && above && below) {
      tokens.push({ kind: "number", value: Number(whole) + Number(above) / Number(below) });
    } else if (fractionAbove && fractionBelow) {
      tokens.push({ kind: "number", value: Number(fractionAbove) / Number(fractionBelow) });
    } else if (plain) {
      tokens.push({ kind: "number", value: Number(plain.replace(",", ".")) });
    } else if (word) {
      tokens.push(...unitTokens(word));
    } else if (sign) {
      tokens.push({ kind: "sign", sign: sign === "−" ? "-" : sign === "×" ? "*" : sign });
    }
  }
  return tokens;
}

function unitTokens(word: string): Token[] {
  const unit = SPELLINGS[word.toLowerCase()];
  if (!unit) throw new Misread(`“${word}” is not a unit here. Use mm, cm, m, in, pt or px.`);
  if (unit !== "m") return [{ kind: "unit", unit }];
  // A metre is only ever typed, never shown, so it is a hundred centimetres and no unit of its own.
  return [
    { kind: "unit", unit: "cm" },
    { kind: "sign", sign: "*" },
    { kind: "number", value: 100 },
  ];
}

class SumReader {
  private at = 0;
  constructor(
    private readonly tokens: Token[],
    private readonly options: ReadOptions,
  ) {}

  sum(): Figure {
    let left = this.product();
    for (let sign = this.take("+", "-"); sign; sign = this.take("+", "-")) {
      const right = this.product();
      const both = left.dimension === 0 && right.dimension === 0;
      const a = both ? left.value : this.lengthOf(left);
      const b = both ? right.value : this.lengthOf(right);
      left = { value: sign === "+" ? a + b : a - b, dimension: both ? 0 : 1 };
    }
    return left;
  }

  lengthOf(figure: Figure): number {
    return figure.dimension === 1 ? figure.value : figure.value * this.um(this.options.unit);
  }

  expectEnd(): void {
    const left = this.tokens[this.at];
    if (!left) return;
    if (left.kind === "number") throw new Misread(`A sign is missing before ${left.value}. ${EXAMPLE}`);
    throw new Misread(`There is something left over at the end. ${EXAMPLE}`);
  }

  private product(): Figure {
    let left = this.figure();
    for (let sign = this.take("*", "/"); sign; sign = this.take("*", "/")) {
      const right = this.figure();
      if (sign === "/") {
        if (right.dimension === 1) throw new Misread("A length can be divided by a number, not by a length.");
        left = { value: left.value / right.value, dimension: left.dimension };
      } else {
        if (left.dimension + right.dimension > 1) {
          throw new Misread("A length times a length is an area. Multiply by a plain number.");
        }
        left = { value: left.value * right.value, dimension: left.dimension === 1 ? 1 : right.dimension };
      }
    }
    return left;
  }

  private figure(): Figure {
    if (this.take("-")) {
      const inner = this.figure();
      return { ...inner, value: -inner.value };
    }
    if (this.take("(")) {
      const inner = this.sum();
      if (!this.take(")")) throw new Misread("A bracket is open: add “)”.");
      return this.withUnit(inner);
    }
    const token = this.tokens[this.at];
    if (token?.kind !== "number") throw new Misread(`A figure is missing. ${EXAMPLE}`);
    this.at++;
    return this.withUnit({ value: token.value, dimension: 0 });
  }

  private withUnit(figure: Figure): Figure {
    const token = this.tokens[this.at];
    if (token?.kind !== "unit") return figure;
    if (figure.dimension === 1) throw new Misread("There is a unit too many.");
    this.at++;
    return { value: figure.value * this.um(token.unit), dimension: 1 };
  }

  private um(unit: Unit): number {
    return umPer(unit, this.options.ppi);
  }

  private take(...signs: string[]): string | null {
    const token = this.tokens[this.at];
    if (token?.kind !== "sign" || !signs.includes(token.sign)) return null;
    this.at++;
    return token.sign;
  }
}
