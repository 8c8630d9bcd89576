import { z } from "zod";
import widths from "./widths.json" with { type: "json" };

/** The cuts that fonts can have; every one has a regular and a bold one. */
export const FONT_CUTS = ["regular", "light", "bold", "italic"] as const;
export type FontCut = (typeof FONT_CUTS)[number];

/** A font that ships with the application, in one of its cuts, under the SIL Open Font License. */
export interface Font {
  id: FontId;
  /** Its name inside the font file. */
  family: string;
  cut: FontCut;
  /** As CSS and SVG ask for it. */
  weight: 300 | 400 | 700;
  style: "normal" | "italic";
  /** As it is named: “EB Garamond italic”. */
  name: string;
}

/** A font in all its cuts, as it is offered. */
export interface FontFamily {
  family: string;
  /** What it is good for. */
  about: string;
  /** Its fonts by their cuts. */
  cuts: Readonly<Partial<Record<FontCut, FontId>> & Record<"regular" | "bold", FontId>>;
}

export const FONT_IDS = [
  "hanken",
  "hanken-bold",
  "hanken-italic",
  "alegreya-sans",
  "alegreya-sans-bold",
  "alegreya-sans-italic",
  "josefin",
  "josefin-light",
  "josefin-bold",
  "josefin-italic",
  "oswald",
  "oswald-light",
  "oswald-bold",
  "source-serif",
  "source-serif-bold",
  "source-serif-italic",
  "garamond",
  "garamond-bold",
  "garamond-italic",
  "baskerville",
  "baskerville-bold",
  "baskerville-italic",
  "spline-mono",
  "spline-mono-bold",
  "spline-mono-italic",
  "courier",
  "courier-bold",
  "courier-italic",
  "caveat",
  "caveat-bold",
  "noto-arabic",
  "noto-arabic-bold",
  "noto-hebrew",
  "noto-hebrew-bold",
  "noto-japanese",
  "noto-japanese-bold",
] as const;

export type FontId = (typeof FONT_IDS)[number];

export const fontId = z.enum(FONT_IDS).describe("A font that ships with the application, and its cut");

/** The regular cut of each font, in the order in which they are offered. */
const OFFERED: readonly (readonly [id: FontId, family: string, about: string])[] = [
  ["hanken", "Hanken Grotesk", "plain and clear, also very small"],
  ["alegreya-sans", "Alegreya Sans", "warm, with a hand behind it"],
  ["josefin", "Josefin Sans", "light and geometric, for titles"],
  ["oswald", "Oswald", "narrow, for much on a short line"],
  ["source-serif", "Source Serif 4", "a sturdy serif for reading"],
  ["garamond", "EB Garamond", "an old-style serif for mats"],
  ["baskerville", "Libre Baskerville", "a broad serif for titles"],
  ["spline-mono", "Spline Sans Mono", "even figures, for exposure data"],
  ["courier", "Courier Prime", "a typewriter"],
  ["caveat", "Caveat", "handwriting, for cards"],
  ["noto-arabic", "Noto Sans Arabic", "Arabic and Persian"],
  ["noto-hebrew", "Noto Sans Hebrew", "Hebrew"],
  ["noto-japanese", "Noto Sans JP", "Japanese, and Chinese as far as they share signs"],
];

const cutOf = (id: FontId, cut: FontCut): FontId | undefined => {
  const own = cut === "regular" ? id : `${id}-${cut}`;
  return FONT_IDS.find((one) => one === own);
};

/** The fonts in the order in which they are offered. */
export const FONT_FAMILIES: readonly FontFamily[] = OFFERED.map(([id, family, about]) => ({
  family,
  about,
  cuts: { light: cutOf(id, "light"), italic: cutOf(id, "italic"), regular: id, bold: cutOf(id, "bold")! },
}));

const STYLES: Record<FontCut, Pick<Font, "weight" | "style">> = {
  regular: { weight: 400, style: "normal" },
  light: { weight: 300, style: "normal" },
  bold: { weight: 700, style: "normal" },
  italic: { weight: 400, style: "italic" },
};

/** Every cut of every font. */
export const FONTS: readonly Font[] = FONT_FAMILIES.flatMap(({ family, cuts }) =>
  FONT_CUTS.flatMap((cut): Font[] => {
    const id = cuts[cut];
    const name = cut === "regular" ? family : `${family} ${cut}`;
    return id ? [{ id, family, cut, ...STYLES[cut], name }] : [];
  }),
);

export function fontById(id: FontId): Font {
  const font = FONTS.find((own) => own.id === id);
  if (!font) throw new RangeError(`There is no font “${id}”`);
  return font;
}

/** The same font in another cut; its regular one where it has none such. */
export function inCut(id: FontId, cut: FontCut): FontId {
  const { cuts } = familyOf(id);
  return cuts[cut] ?? cuts.regular;
}

export const familyOf = (id: FontId): FontFamily => {
  const { family } = fontById(id);
  return FONT_FAMILIES.find((own) => own.family === family)!;
};

/**
 * The font that has every sign of some words: the one asked for, or the first that is offered, in the same cut where
 * it has that. Where none has them all, the one asked for.
 */
export function fontFor(text: string, asked: FontId): FontId {
  if (hasAll(text, asked)) return asked;
  const able = FONT_FAMILIES.find(({ cuts }) => hasAll(text, cuts.regular));
  return able ? inCut(able.cuts.regular, fontById(asked).cut) : asked;
}

/**
 * How wide the signs of each font are, in thousandths of its height, as runs of code points that follow each other: each
 * with its width, or so many of one width. Made from the font files by `npm run fonts`.
 */
const RUNS = widths as unknown as Record<FontId, readonly Run[]>;
type Run =
  | readonly [first: number, widths: readonly number[]]
  | readonly [first: number, width: number, count: number];

const widthsOf = (run: Run): readonly number[] =>
  run.length === 2 ? run[1] : Array.from({ length: run[2] }, () => run[1]);

const tables = new Map<FontId, ReadonlyMap<number, number>>();

function tableOf(font: FontId): ReadonlyMap<number, number> {
  let table = tables.get(font);
  if (!table) {
    table = new Map(
      RUNS[font].flatMap((run) => widthsOf(run).map((width, i) => [run[0] + i, width] as const)),
    );
    tables.set(font, table);
  }
  return table;
}

/** A sign the font does not have is as wide as most signs of wide scripts. */
const UNKNOWN = 1000;

/**
 * The width of a line of text at a font height, without kerning: what painters draw is as wide or a little narrower, in
 * the unit of the height.
 */
export function textWidth(text: string, font: FontId, height: number): number {
  const table = tableOf(font);
  let thousandths = 0;
  for (const sign of text) thousandths += table.get(sign.codePointAt(0)!) ?? UNKNOWN;
  return (thousandths * height) / 1000;
}

/** The signs of a text that a font has no shape for, each once. */
export function missingSigns(text: string, font: FontId): string[] {
  const missing = new Set<string>();
  for (const sign of text.normalize("NFC")) if (!hasSign(sign, font)) missing.add(sign);
  return [...missing];
}

function hasAll(text: string, font: FontId): boolean {
  for (const sign of text.normalize("NFC")) if (!hasSign(sign, font)) return false;
  return true;
}

const hasSign = (sign: string, font: FontId): boolean =>
  sign === "\n" || tableOf(font).has(sign.codePointAt(0)!);
