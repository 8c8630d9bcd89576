import type { Size } from "../../base/geometry/index.ts";
import { inch, mm } from "../../base/length/index.ts";

/** A paper one can buy, upright. */
export interface Paper extends Size {
  id: string;
  /** What people call it, as it stands in the ticket: "10 × 15 cm". */
  name: string;
  /** The same paper's other name, where it has one: "4 × 6 in". */
  alias?: string;
  group: PaperGroup;
  /** Where the size comes from. */
  standard: string;
}

export type PaperGroup = "Photo paper" | "ISO A" | "ISO B" | "North American" | "Art";

const ISO_216 = "ISO 216:2007";
const INCH_TRADE = "trade size, exact in inches";
const CM_TRADE = "trade size, exact in centimetres";

const photoInch = (id: string, name: string, w: number, h: number, alias: string): Paper => ({
  id,
  name,
  alias,
  group: "Photo paper",
  standard: INCH_TRADE,
  width: inch(w),
  height: inch(h),
});
const photoCm = (id: string, name: string, w: number, h: number): Paper => ({
  id,
  name,
  group: "Photo paper",
  standard: CM_TRADE,
  width: mm(w),
  height: mm(h),
});
const iso = (series: "A" | "B", step: number, w: number, h: number): Paper => ({
  id: `${series.toLowerCase()}${step}`,
  name: `${series}${step}`,
  group: series === "A" ? "ISO A" : "ISO B",
  standard: ISO_216,
  width: mm(w),
  height: mm(h),
});
const sheet = (
  group: PaperGroup,
  standard: string,
  id: string,
  name: string,
  alias: string,
  w: number,
  h: number,
): Paper => ({ id, name, alias, group, standard, width: inch(w), height: inch(h) });

/**
 * The papers that come with Wide Quilt, upright, in the order they are offered.
 *
 * Photographic papers named in whole centimetres are mostly inch sizes: "10 × 15 cm" is cut as 4 × 6 in.
 */
export const PAPERS: readonly Paper[] = [
  photoInch("photo-9x13", "9 × 13 cm", 3.5, 5, "3½ × 5 in"),
  photoInch("photo-10x15", "10 × 15 cm", 4, 6, "4 × 6 in"),
  photoInch("photo-13x18", "13 × 18 cm", 5, 7, "5 × 7 in"),
  photoInch("photo-15x20", "15 × 20 cm", 6, 8, "6 × 8 in"),
  photoInch("photo-15x23", "15 × 23 cm", 6, 9, "6 × 9 in"),
  photoCm("photo-18x24", "18 × 24 cm", 180, 240),
  photoInch("photo-20x25", "20 × 25 cm", 8, 10, "8 × 10 in"),
  photoInch("photo-20x30", "20 × 30 cm", 8, 12, "8 × 12 in"),
  photoCm("photo-24x30", "24 × 30 cm", 240, 300),
  photoInch("photo-28x36", "28 × 36 cm", 11, 14, "11 × 14 in"),
  photoCm("photo-30x40", "30 × 40 cm", 300, 400),
  photoInch("photo-30x45", "30 × 45 cm", 12, 18, "12 × 18 in"),
  photoInch("photo-33x48", "33 × 48 cm", 13, 19, "13 × 19 in"),
  iso("A", 2, 420, 594),
  iso("A", 3, 297, 420),
  iso("A", 4, 210, 297),
  iso("A", 5, 148, 210),
  iso("A", 6, 105, 148),
  iso("A", 7, 74, 105),
  iso("B", 3, 353, 500),
  iso("B", 4, 250, 353),
  iso("B", 5, 176, 250),
  iso("B", 6, 125, 176),
  sheet("North American", "ANSI/ASME Y14.1 A", "letter", "Letter", "8½ × 11 in", 8.5, 11),
  sheet("North American", "trade size, exact in inches", "legal", "Legal", "8½ × 14 in", 8.5, 14),
  sheet("North American", "ANSI/ASME Y14.1 B", "tabloid", "Tabloid", "11 × 17 in", 11, 17),
  sheet("Art", INCH_TRADE, "art-9x12", "9 × 12 in", "23 × 30 cm", 9, 12),
  sheet("Art", INCH_TRADE, "art-16x20", "16 × 20 in", "41 × 51 cm", 16, 20),
  sheet("Art", INCH_TRADE, "art-18x24", "18 × 24 in", "46 × 61 cm", 18, 24),
];

/** Half of 10 × 15 cm lengthwise: the page that strips are cut to. No paper that is stocked, so that it is not offered as one. */
export const STRIP: Paper = photoInch("strip", "5 × 15 cm", 2, 6, "2 × 6 in");

/** The built-in paper with this id. Throws a RangeError when there is none. */
export function paperById(id: string): Paper {
  const paper = [...PAPERS, STRIP].find((p) => p.id === id);
  if (!paper) throw new RangeError(`There is no paper “${id}”`);
  return paper;
}

/** Countries whose everyday paper is Letter (Unicode CLDR, territory measurement data, paper size "US-Letter"). */
const LETTER_COUNTRIES = new Set("US CA MX PH PR CL CO CR GT NI PA SV VE BZ".split(" "));

/** Whether a reader with this BCP 47 tag expects letter paper and inches first. */
export const prefersLetter = (locale: string): boolean =>
  LETTER_COUNTRIES.has(locale.split("-").find((part) => /^[A-Z]{2}$/.test(part)) ?? "");
