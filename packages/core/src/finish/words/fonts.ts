import { z } from "zod";
import widths from "./widths.json" with { type: "json" };

/** A font that ships with the application: one regular face each, under the SIL Open Font License. */
export interface Font {
  id: FontId;
  /** Its name inside the font file, and as it is offered. */
  family: string;
  /** What it is good for. */
  about: string;
}

export const FONT_IDS = [
  "hanken",
  "alegreya-sans",
  "josefin",
  "oswald",
  "source-serif",
  "garamond",
  "baskerville",
  "spline-mono",
  "courier",
  "caveat",
] as const;

export type FontId = (typeof FONT_IDS)[number];

export const fontId = z.enum(FONT_IDS).describe("A font that ships with the application");

/** The fonts in the order in which they are offered. */
export const FONTS: readonly Font[] = [
  { id: "hanken", family: "Hanken Grotesk", about: "plain and clear, also very small" },
  { id: "alegreya-sans", family: "Alegreya Sans", about: "warm, with a hand behind it" },
  { id: "josefin", family: "Josefin Sans", about: "light and geometric, for titles" },
  { id: "oswald", family: "Oswald", about: "narrow, for much on a short line" },
  { id: "source-serif", family: "Source Serif 4", about: "a sturdy serif for reading" },
  { id: "garamond", family: "EB Garamond", about: "an old-style serif for mats" },
  { id: "baskerville", family: "Libre Baskerville", about: "a broad serif for titles" },
  { id: "spline-mono", family: "Spline Sans Mono", about: "even figures, for exposure data" },
  { id: "courier", family: "Courier Prime", about: "a typewriter" },
  { id: "caveat", family: "Caveat", about: "handwriting, for cards" },
];

export function fontById(id: FontId): Font {
  const font = FONTS.find((own) => own.id === id);
  if (!font) throw new RangeError(`There is no font “${id}”`);
  return font;
}

/**
 * How wide the signs of each font are, in thousandths of its height, as runs of code points that follow each other.
 * Made from the font files by `npm run fonts`.
 */
const RUNS = widths as unknown as Record<FontId, readonly [first: number, widths: readonly number[]][]>;

const tables = new Map<FontId, ReadonlyMap<number, number>>();

function tableOf(font: FontId): ReadonlyMap<number, number> {
  let table = tables.get(font);
  if (!table) {
    table = new Map(RUNS[font].flatMap(([first, run]) => run.map((width, i) => [first + i, width] as const)));
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
  const table = tableOf(font);
  const missing = new Set<string>();
  for (const sign of text.normalize("NFC"))
    if (sign !== "\n" && !table.has(sign.codePointAt(0)!)) missing.add(sign);
  return [...missing];
}
