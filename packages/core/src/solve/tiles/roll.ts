import type { Size } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import { packQuickly, type PackPlace } from "../pack/index.ts";

/** A length cut off a roll, less its margins, and what lies on it. */
export interface Cut {
  length: Um;
  /** By the index of the piece that was asked for. */
  places: PackPlace[];
}

/** How finely a length is looked for, in µm. */
const STEP = 1000;

/**
 * Nests pieces on a roll of a width, so that little of its length is needed; on several lengths where one may not be long
 * enough. Pieces that are wider than the roll or longer than the longest cut are on none.
 *
 * The least length is looked for by halving: the packing is asked whether all fit.
 */
export function nested(
  pieces: readonly Size[],
  { width, most }: { width: Um; most: Um },
  { gap, mayTurn }: { gap: Um; mayTurn: boolean },
): Cut[] {
  const asked = pieces.map((piece) => ({ ...piece, quantity: 1, mayTurn }));
  const pack = (which: readonly number[], height: number) =>
    packQuickly({
      pieces: which.map((index) => asked[index]!),
      papers: [{ width, height: um(height), price: 1 }],
      gap,
      cuts: "straight",
      aim: "sheets",
    });
  const all = pieces.map((_, index) => index);
  const first = pack(all, most);
  return first.sheets.map(({ places }): Cut => {
    const which = places.map(({ piece }) => piece);
    let best = places;
    let [least, enough] = [Math.max(...which.map((index) => shortest(pieces[index]!, width, mayTurn))), most];
    while (enough - least > STEP) {
      const half = Math.floor((least + enough) / 2);
      const { sheets, tooLarge } = pack(which, half);
      if (tooLarge.length > 0 || sheets.length > 1) least = half;
      else {
        best = sheets[0]!.places.map((place) => ({ ...place, piece: which[place.piece]! }));
        enough = lengthOf(best);
      }
    }
    return { length: lengthOf(best), places: best.toSorted((a, b) => a.piece - b.piece) };
  });
}

const lengthOf = (places: readonly PackPlace[]): Um =>
  um(Math.max(...places.map(({ y, height }) => y + height)));

/** How much of the roll a piece takes at least. */
const shortest = (piece: Size, width: number, mayTurn: boolean): number =>
  mayTurn && piece.height <= width ? Math.min(piece.width, piece.height) : piece.height;
