/** A paper of a simulated printer, upright; lengths in hundredths of a millimetre (PWG 5100.7). */
export interface Media {
  /** By PWG 5101.1: "iso_a4_210x297mm". */
  name: string;
  width: number;
  height: number;
  edges: { top: number; right: number; bottom: number; left: number };
}

/** What a simulated printer is like. */
export interface Model {
  id: string;
  name: string;
  formats: string[];
  media: Media[];
  types: string[];
  /** How fine it can be told to print (print-quality, RFC 8011, 5.2.13). */
  qualities: number[];
  /** Whether it can be told to print in black alone. */
  grey: boolean;
  ppi: number;
  copies: number;
  /** By how many percent it enlarges a page to print to its edge. */
  enlarges: number;
  /** Into how many pieces of the same width it cuts what it printed. */
  cuts: number;
  /** Whether it can be told to cut right through a sheet (trimming of PWG 5100.1). */
  trims: boolean;
}

const edges = (top: number, right = top, bottom = top, left = top) => ({ top, right, bottom, left });
const A4 = { name: "iso_a4_210x297mm", width: 21_000, height: 29_700 };
const LETTER = { name: "na_letter_8.5x11in", width: 21_590, height: 27_940 };
const PHOTO = { name: "na_index-4x6_4x6in", width: 10_160, height: 15_240 };
const PHOTO_LARGE = { name: "na_5x7_5x7in", width: 12_700, height: 17_780 };

/** Made-up machines, each with a peculiarity that real ones of its kind have. */
export const MODELS: readonly Model[] = [
  {
    id: "inkjet",
    name: "Shore inkjet",
    formats: ["image/jpeg", "application/pdf", "image/pwg-raster"],
    media: [A4, LETTER, PHOTO].map((size) => ({ ...size, edges: edges(300, 340, 1250, 340) })),
    types: ["stationery", "photographic-glossy", "photographic-matte"],
    qualities: [3, 4, 5],
    grey: true,
    ppi: 360,
    copies: 99,
    enlarges: 0,
    cuts: 1,
    trims: false,
  },
  {
    id: "borderless",
    name: "Spray inkjet, borderless",
    formats: ["image/jpeg"],
    media: [A4, PHOTO, PHOTO_LARGE].map((size) => ({ ...size, edges: edges(0) })),
    types: ["photographic-glossy"],
    qualities: [4, 5],
    grey: true,
    ppi: 360,
    copies: 20,
    enlarges: 2,
    cuts: 1,
    trims: false,
  },
  {
    id: "event",
    name: "Flock event printer",
    formats: ["image/pwg-raster"],
    // A page of 1240 × 1844 px at 302 ppi, a little larger than the 4 × 6 in that it is cut to.
    media: [{ ...PHOTO, edges: edges(0) }],
    types: ["photographic"],
    qualities: [4],
    grey: false,
    ppi: 302,
    copies: 50,
    enlarges: 0,
    cuts: 2,
    trims: false,
  },
  {
    id: "lab",
    name: "Harbour lab",
    formats: ["image/jpeg"],
    media: [PHOTO, PHOTO_LARGE, A4].map((size) => ({ ...size, edges: edges(0) })),
    types: ["photographic-glossy", "photographic-matte"],
    qualities: [4],
    grey: false,
    ppi: 300,
    copies: 500,
    enlarges: 0,
    cuts: 1,
    trims: true,
  },
];
