import type { Size } from "../../base/geometry/index.ts";
import { inch, mm } from "../../base/length/index.ts";

/** A finished size that pieces are asked for in, upright. */
export interface PrintSize extends Size {
  id: string;
  name: string;
  group: "Document photos" | "Cards and badges" | "Prints";
  /** Where the size comes from. */
  standard: string;
}

const TRADE = "trade size";

/** The finished sizes that come with Wide Quilt. Rules for heads and eyes are a matter of their own. */
export const PRINT_SIZES: readonly PrintSize[] = [
  doc("35x45", "35 × 45 mm", mm(35), mm(45), "ICAO Doc 9303-3 portrait print, 35.0 × 45.0 mm"),
  doc("25x35", "25 × 35 mm", mm(25), mm(35), TRADE),
  doc("30x40", "30 × 40 mm", mm(30), mm(40), TRADE),
  doc("33x48", "33 × 48 mm", mm(33), mm(48), TRADE),
  doc("50x70", "50 × 70 mm", mm(50), mm(70), TRADE),
  doc("2x2in", "2 × 2 in", inch(2), inch(2), TRADE),
  card("id-1", "Card 54 × 86 mm", mm(53.98), mm(85.6), "ISO/IEC 7810 ID-1"),
  card("badge", "Badge 60 × 90 mm", mm(60), mm(90), TRADE),
  card("business", "Card 55 × 85 mm", mm(55), mm(85), TRADE),
  print("wallet", "2½ × 3½ in", inch(2.5), inch(3.5)),
  print("7x10", "7 × 10 cm", mm(70), mm(100)),
  print("9x13", "9 × 13 cm", inch(3.5), inch(5)),
  print("10x10", "10 × 10 cm", mm(100), mm(100)),
  print("10x15", "10 × 15 cm", inch(4), inch(6)),
  print("13x18", "13 × 18 cm", inch(5), inch(7)),
];

function doc(id: string, name: string, width: Size["width"], height: Size["height"], standard: string) {
  return { id, name, group: "Document photos", width, height, standard } as const;
}
function card(id: string, name: string, width: Size["width"], height: Size["height"], standard: string) {
  return { id, name, group: "Cards and badges", width, height, standard } as const;
}
function print(id: string, name: string, width: Size["width"], height: Size["height"]) {
  return { id, name, group: "Prints", width, height, standard: TRADE } as const;
}
