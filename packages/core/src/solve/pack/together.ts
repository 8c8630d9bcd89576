import type { PackPlace, PackQuestion, PackSheet } from "./types.ts";

/**
 * Hands the places of one size out again so that pieces of one photo lie together: on the same sheet, one after the
 * other in reading order. The places themselves stay, so this costs nothing. Fuller sheets come first.
 */
export function keptTogether({ pieces }: PackQuestion, sheets: readonly PackSheet[]): PackSheet[] {
  const areaOf = ({ places }: PackSheet) => places.reduce((sum, p) => sum + p.width * p.height, 0);
  const inOrder = sheets
    .map(({ paper, places }) => ({ paper, places: [...places].sort((a, b) => a.y - b.y || a.x - b.x) }))
    .sort((a, b) => areaOf(b) - areaOf(a));
  const alike = new Map<string, PackPlace[]>();
  for (const { places } of inOrder) {
    for (const place of places) {
      const { width, height, mayTurn } = pieces[place.piece]!;
      const [short, long] = width < height ? [width, height] : [height, width];
      const size = mayTurn ? `${short} ${long}` : `${width} ${height} upright`;
      alike.set(size, [...(alike.get(size) ?? []), place]);
    }
  }
  const handed = new Map<PackPlace, PackPlace>();
  for (const places of alike.values()) {
    const waiting = places
      .map(({ piece }) => piece)
      .sort((a, b) => photoOrder(pieces, a) - photoOrder(pieces, b) || a - b);
    places.forEach((place, i) => {
      const piece = waiting[i]!;
      // A piece of the same two sides that stands the other way lies turned where this one did not.
      handed.set(place, { ...place, piece, turned: place.width !== pieces[piece]!.width });
    });
  }
  return inOrder.map(({ paper, places }) => ({ paper, places: places.map((place) => handed.get(place)!) }));
}

/** Pieces of one photo count as the first piece that shows it. */
function photoOrder(pieces: PackQuestion["pieces"], piece: number): number {
  const { photo } = pieces[piece]!;
  return photo === null || photo === undefined ? piece : pieces.findIndex((other) => other.photo === photo);
}
