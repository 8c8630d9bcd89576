import { Misread } from "./misread.ts";
import { decimalSign } from "./write.ts";

/**
 * A run of digits with the signs and spaces inside it, read as one number: "1 000", "1.000,5", "1’000", "1,5".
 *
 *     1,234,567    the same sign twice stands between thousands
 *     1.000,5      of two signs the last is the decimal sign
 *     1,5  ,5      one sign is the decimal sign …
 *     1,000        … but not before just three digits, unless the reader’s country writes decimals with it
 */
export function readDigits(text: string, locale: string | undefined): number {
  const plain = text.replaceAll(/[\s'’٬]/g, "").replaceAll("٫", ".");
  const signs = plain.match(/[.,]/g) ?? [];
  const last = signs.at(-1);
  if (last === undefined) return Number(plain);
  const kinds = new Set(signs);
  if (kinds.size === 1 && signs.length > 1) return Number(grouped(plain, last, text));
  if (kinds.size === 2) {
    const [whole, part] = [plain.slice(0, plain.lastIndexOf(last)), plain.slice(plain.lastIndexOf(last) + 1)];
    const group = last === "," ? "." : ",";
    if (whole.includes(last)) throw notANumber(text);
    return Number(`${grouped(whole, group, text)}.${part}`);
  }
  const [whole = "", part = ""] = plain.split(last);
  const couldBeThousands = part.length === 3 && /^[1-9]\d{0,2}$/.test(whole);
  if (couldBeThousands && last !== decimalSign(locale)) {
    const decimal = decimalSign(locale);
    throw new Misread(
      `“${text}” can be ${whole}${part} or ${whole}${decimal}${part}. Type ${whole}${part}, or ${whole}${decimal}${part.replace(/0+$/, "") || "0"}.`,
    );
  }
  return Number(`${whole}.${part}`);
}

/** The digits without the sign between thousands. */
function grouped(digits: string, sign: string, text: string): string {
  const groups = digits.split(sign);
  // Lakhs and crores have groups of two before the last three digits.
  const isRight = groups.every((group, i) =>
    i === 0
      ? /^\d{1,3}$/.test(group)
      : i === groups.length - 1
        ? /^\d{3}$/.test(group)
        : /^\d{2,3}$/.test(group),
  );
  if (!isRight) throw notANumber(text);
  return groups.join("");
}

const notANumber = (text: string) =>
  new Misread(`“${text}” is not a number that can be read. Write decimals after one point or comma: 12.5.`);
