import { EXAMPLE, Misread } from "./misread.ts";
import { umIn, type TypedUnit } from "./spellings.ts";
import { tokenise, type ReadOptions, type Token } from "./tokens.ts";
import { nearest, type Um } from "./um.ts";

/** A length, or one sentence that says what was not understood and what would be. */
export type Reading = { ok: true; length: Um } | { ok: false; why: string };

/** Two lengths that belong together, or why they are none; null where the text is not of two lengths at all. */
export type SizeReading = { ok: true; width: Um; height: Um } | { ok: false; why: string } | null;

/** A figure on the way: a bare number, or a length in µm of a unit of so many µm. */
type Figure = { value: number; per: null } | { value: number; per: number };

/**
 * Reads a length as a person types it, sums included, in any country’s way. It can be negative: whoever asks sets the
 * range. What can be read in two ways is not guessed at: the sentence says which two.
 *
 *     "35mm"  "3 1/2 in"  "3½″"  "1,5 cm"  "1 000"  "2 ft 3 in"  "210mm/3 - 2mm"  "2 * (35 + 2)"
 *
 *     sum     = product { ("+" | "-") product }
 *     product = run { ("*" | "/") run }                     at most one of them a length, none below a "/"
 *     run     = "-" run | "(" sum ")" [unit] | number [unit { number unit }]       units from larger to smaller
 *     number  = 3 | 3.5 | 3,5 | 1 000 | 1.000,5 | 3 1/2 | 3-1/2 before inches
 */
export function readLength(text: string, options: ReadOptions): Reading {
  return refusing(() => {
    const tokens = tokenise(text, options);
    if (pairIn(tokens)) {
      const asProduct = text.trim().replaceAll(/\s*[×x]\s*/gi, " * ");
      throw new Misread(
        `“${text.trim()}” is two lengths, and here goes one. For a product type ${asProduct}.`,
      );
    }
    return { ok: true, length: lengthOf(tokens, options) };
  });
}

/**
 * Reads two lengths with a cross between them: "35 × 45", "4x6 in", "8 1/2 by 11″". A unit that stands at one of them
 * alone is of both.
 */
export function readSize(text: string, options: ReadOptions): SizeReading {
  return refusing(() => {
    const pair = pairIn(tokenise(text, options));
    if (!pair) return null;
    const units = pair.map((tokens) => tokens.findLast((token) => token.kind === "unit")?.unit);
    const [width, height] = pair.map((tokens, i) => {
      const other = units[1 - i];
      const shared = units[i] === undefined && other !== undefined;
      return lengthOf(shared ? [...tokens, { kind: "unit", unit: other }] : tokens, options);
    });
    return { ok: true, width: width!, height: height! };
  });
}

/** Reads a plain number as any country writes it, sums included: "1.5", "1,5", "½", "−3", "2 * 12". */
export function readNumber(
  text: string,
  locale?: string,
): { ok: true; value: number } | { ok: false; why: string } {
  return refusing(() => {
    const options = { unit: "mm", ppi: 1, locale } as const;
    const tokens = tokenise(text, options);
    if (tokens.length === 0) throw new Misread("A number is wanted here.");
    const reader = new SumReader(tokens, options);
    const { value, per } = reader.sum();
    reader.expectEnd();
    if (per !== null || !Number.isFinite(value))
      throw new Misread("A number is wanted here, without a unit.");
    return { ok: true, value };
  });
}

function refusing<T>(read: () => T): T | { ok: false; why: string } {
  try {
    return read();
  } catch (error) {
    if (error instanceof Misread) return { ok: false, why: error.message };
    throw error;
  }
}

/** What stands before and behind a cross that is no product: one with no bracket beside it. */
function pairIn(tokens: readonly Token[]): [Token[], Token[]] | null {
  const isSign = (token: Token | undefined, sign: string) => token?.kind === "sign" && token.sign === sign;
  const crosses = tokens.flatMap((token, i) =>
    isSign(token, "×") && !isSign(tokens[i - 1], ")") && !isSign(tokens[i + 1], "(") ? [i] : [],
  );
  const [at, more] = crosses;
  if (at === undefined) return null;
  if (more !== undefined)
    throw new Misread("There are more than two lengths here. Type a width and a height: 35 × 45.");
  return [tokens.slice(0, at), tokens.slice(at + 1)];
}

function lengthOf(tokens: readonly Token[], options: ReadOptions): Um {
  if (tokens.length === 0) throw new Misread(`There is no figure here. ${EXAMPLE}`);
  const reader = new SumReader(tokens, options);
  const value = reader.um(reader.sum());
  reader.expectEnd();
  if (!Number.isFinite(value)) throw new Misread("This divides by nothing. Check the figure after “/”.");
  if (Math.abs(value) > Number.MAX_SAFE_INTEGER)
    throw new Misread(`This is longer than any paper. ${EXAMPLE}`);
  return nearest(value);
}

class SumReader {
  private at = 0;
  constructor(
    private readonly tokens: readonly Token[],
    private readonly options: ReadOptions,
  ) {}

  /** A figure as a length: a bare number is in the reader’s unit. */
  um({ value, per }: Figure): number {
    return per === null ? value * this.perUnit(this.options.unit) : value;
  }

  sum(): Figure {
    let left = this.product();
    for (let sign = this.take("+", "-"); sign; sign = this.take("+", "-")) {
      const right = this.product();
      const per = left.per ?? right.per;
      const [a, b] = per === null ? [left.value, right.value] : [this.um(left), this.um(right)];
      left = { value: sign === "+" ? a + b : a - b, per };
    }
    return left;
  }

  expectEnd(): void {
    const left = this.tokens[this.at];
    if (!left) return;
    if (left.kind === "number") throw new Misread(`A sign is missing before ${left.text}. ${EXAMPLE}`);
    throw new Misread(`There is something left over at the end. ${EXAMPLE}`);
  }

  private product(): Figure {
    let left = this.run();
    for (let sign = this.take("*", "/", "×"); sign; sign = this.take("*", "/", "×")) {
      const right = this.run();
      left = sign === "/" ? divided(left, right) : multiplied(left, right);
    }
    return left;
  }

  private run(): Figure {
    if (this.take("-")) {
      const inner = this.run();
      return { ...inner, value: -inner.value };
    }
    if (this.take("(")) {
      const inner = this.sum();
      if (!this.take(")")) throw new Misread("A bracket is open: add “)”.");
      return this.withUnit(inner).figure;
    }
    let { figure, unit } = this.withUnit({ value: this.number(), per: null });
    while (unit !== null && this.tokens[this.at]?.kind === "number") {
      const next = this.part(unit);
      figure = { value: figure.value + next.figure.value, per: next.figure.per };
      unit = next.unit;
    }
    return figure;
  }

  /** The next part of a length that is said in parts: "5 mm" after "10 cm"; after feet a bare figure is inches. */
  private part(before: TypedUnit): { figure: Figure & { per: number }; unit: TypedUnit } {
    const value = this.number();
    const token = this.tokens[this.at];
    const unit = token?.kind === "unit" ? token.unit : before === "ft" ? "in" : null;
    if (unit === null || this.perUnit(unit) >= this.perUnit(before))
      throw new Misread(`A sign is missing before ${value}. ${EXAMPLE}`);
    if (token?.kind === "unit") this.at++;
    return { figure: { value: value * this.perUnit(unit), per: this.perUnit(unit) }, unit };
  }

  private number(): number {
    const token = this.tokens[this.at];
    if (token?.kind !== "number") throw new Misread(`A figure is missing. ${EXAMPLE}`);
    this.at++;
    return token.value;
  }

  private withUnit(figure: Figure): { figure: Figure; unit: TypedUnit | null } {
    const token = this.tokens[this.at];
    if (token?.kind !== "unit") return { figure, unit: null };
    if (figure.per !== null) throw new Misread("There is a unit too many.");
    this.at++;
    const per = this.perUnit(token.unit);
    return { figure: { value: figure.value * per, per }, unit: token.unit };
  }

  private perUnit(unit: TypedUnit): number {
    return umIn(unit, this.options.ppi);
  }

  private take<Sign extends string>(...signs: Sign[]): Sign | null {
    const token = this.tokens[this.at];
    if (token?.kind !== "sign" || !(signs as string[]).includes(token.sign)) return null;
    this.at++;
    return token.sign as string as Sign;
  }
}

function multiplied(left: Figure, right: Figure): Figure {
  if (left.per !== null && right.per !== null)
    throw new Misread("A length times a length is an area. Multiply by a plain number.");
  return { value: left.value * right.value, per: left.per ?? right.per };
}

/** "10/4 in" is ten quarters of an inch. */
function divided(left: Figure, right: Figure): Figure {
  if (right.per === null) return { value: left.value / right.value, per: left.per };
  if (left.per !== null) throw new Misread("A length can be divided by a number, not by a length.");
  return { value: (left.value / right.value) * right.per * right.per, per: right.per };
}
