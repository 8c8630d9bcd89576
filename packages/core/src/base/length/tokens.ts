import { readDigits } from "./digits.ts";
import { EXAMPLE, Misread } from "./misread.ts";
import { isUnit, unitNamed, type TypedUnit } from "./spellings.ts";
import type { Unit } from "./unit.ts";

export interface ReadOptions {
  /** The unit of a figure that names none. */
  unit: Unit;
  /** Pixels per inch of the sheet, for figures in px. */
  ppi: number;
  /** A BCP 47 tag: which of point and comma is the decimal sign where both are possible. Left out, English. */
  locale?: string;
}

export type Token =
  | { kind: "number"; value: number; text: string }
  | { kind: "unit"; unit: TypedUnit }
  | { kind: "sign"; sign: "+" | "-" | "*" | "/" | "×" | "(" | ")" };

/** The digit nought of the scripts that people here may type in; the other nine follow it. */
const NOUGHTS = [..."٠۰०০੦૦୦௦౦೦൦๐໐"].map((nought) => nought.codePointAt(0)!);

/** One way of writing for what is written in many: digits, fractions, dashes, primes, spaces. */
const plain = (text: string): string =>
  text
    .replaceAll(/[\u200e\u200f\u061c\u2066-\u2069\ufeff]/g, "")
    .replaceAll(/\p{Nd}/gu, (digit) => {
      const code = digit.codePointAt(0)!;
      const nought = NOUGHTS.find((first) => code >= first && code < first + 10);
      return nought === undefined ? digit : String(code - nought);
    })
    // A fraction sign stands for itself: "3½" is three and a half.
    .replaceAll(/[¼-¾⅐-⅞]/g, (sign) => ` ${sign.normalize("NFKC")}`)
    .normalize("NFKC")
    .replaceAll(/[−‒–—]/g, "-")
    .replaceAll(/[÷∕⁄]/g, "/")
    .replaceAll(/[·∙⋅]/g, "*")
    .replaceAll(/[✕✖х]/gi, "×")
    .replaceAll(/[’‘ʼʹ′´]/g, "'")
    .replaceAll(/[“”„‟]|''/g, '"')
    .replaceAll(/\s+/g, " ")
    .trim();

/** A number and a fraction, "3 1/2" or "3-1/2". */
const MIXED = /(\d+)( |-)(\d+) ?\/ ?(\d+)(?![\d.,])/y;
/** Digits with spaces or strokes between thousands, or with points and commas. */
const DIGITS = /(?:\d{1,3}(?:[ '٬]\d{3})+(?!\d)(?:[.,٫]\d+)?|\d(?:[\d.,٫٬]*\d)?|[.,٫]\d+)/y;
const WORD = /[\p{L}]+|["']/uy;

/** What a person typed, in parts. Throws Misread at what cannot be understood, or in two ways. */
export function tokenise(typed: string, options: ReadOptions): Token[] {
  const text = plain(typed);
  const tokens: Token[] = [];
  let at = 0;
  const found = (pattern: RegExp): RegExpExecArray | null => {
    pattern.lastIndex = at;
    return pattern.exec(text);
  };
  while (at < text.length) {
    if (text[at] === " ") {
      at++;
      continue;
    }
    const mixed = found(MIXED);
    if (mixed && isMixed(mixed, text, options)) {
      const [whole, , , above, below] = mixed;
      const value = Number(mixed[1]) + Number(above) / Number(below);
      tokens.push({ kind: "number", value, text: whole });
      at += whole.length;
      continue;
    }
    const digits = found(DIGITS);
    if (digits) {
      const [number] = digits;
      at += number.length;
      // "3." is three: a sign that is still to be followed by digits.
      if (/[.,]/.test(text[at] ?? "") && !/[.,]/.test(number)) at++;
      tokens.push({ kind: "number", value: readDigits(number, options.locale), text: number });
      continue;
    }
    const word = found(WORD);
    if (word) {
      at += word[0].length;
      tokens.push(...wordTokens(word[0]));
      // Units may be shortened with a point: "3 in."
      if (text[at] === "." && tokens.at(-1)!.kind === "unit") at++;
      continue;
    }
    const sign = text[at]!;
    if (!isSign(sign)) throw new Misread(`“${text.slice(at)}” is not understood here. ${EXAMPLE}`);
    tokens.push({ kind: "sign", sign });
    at++;
  }
  return tokens;
}

const isSign = (sign: string): sign is Extract<Token, { kind: "sign" }>["sign"] => "+-*/×()".includes(sign);

/**
 * Whether a number and a fraction are one number. "3-1/2" is what carpenters and framers write for inches; with other
 * units it may as well be a difference, and is asked about.
 */
function isMixed(found: RegExpExecArray, text: string, { unit }: ReadOptions): boolean {
  const [all, whole, joint, above, below] = found;
  if (joint === " ") return Number(above) < Number(below) || Number(below) === 0;
  const behind = found.index + all.length;
  WORD.lastIndex = text[behind] === " " ? behind + 1 : behind;
  const next = WORD.exec(text)?.[0];
  const named = next !== undefined && isUnit(next) ? unitNamed(next) : unit;
  if (named === "in" || named === "ft") return true;
  throw new Misread(
    `“${all}” can be ${whole} and ${above}/${below}, or ${whole} less ${above}/${below}. Type ${whole} ${above}/${below}, or ${whole} - ${above}/${below}.`,
  );
}

function wordTokens(word: string): Token[] {
  const small = word.toLowerCase();
  if (small === "x" || small === "by") return [{ kind: "sign", sign: "×" }];
  // "35mmx45mm"
  if (small.endsWith("x") && !isUnit(small) && isUnit(small.slice(0, -1)))
    return [...wordTokens(word.slice(0, -1)), { kind: "sign", sign: "×" }];
  return [{ kind: "unit", unit: unitNamed(word) }];
}
