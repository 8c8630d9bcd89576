import type { Size } from "../../base/geometry/index.ts";
import { inch, mm } from "../../base/length/index.ts";

/** A set of sizes that a studio sells by one name. */
export interface PrintPackage {
  name: string;
  pieces: readonly (Size & { quantity: number })[];
}

const of = (quantity: number, width: Size["width"], height: Size["height"]) => ({ quantity, width, height });

/** Sets that each fill a sheet of the paper in their name, but for its trim. Own ones are kept beside them. */
export const PACKAGES: readonly PrintPackage[] = [
  {
    name: "20 × 25 cm: one 13 × 18, two 9 × 13",
    pieces: [of(1, inch(5), inch(7)), of(2, inch(3.5), inch(5))],
  },
  { name: "20 × 25 cm: two 13 × 18", pieces: [of(2, inch(5), inch(7))] },
  { name: "20 × 25 cm: four 9 × 13", pieces: [of(4, inch(3.5), inch(5))] },
  { name: "20 × 25 cm: eight 2½ × 3½ in", pieces: [of(8, inch(2.5), inch(3.5))] },
  {
    name: "20 × 30 cm: three 10 × 15, two 7 × 10",
    pieces: [of(3, inch(4), inch(6)), of(2, mm(70), mm(100))],
  },
  { name: "20 × 30 cm: two 10 × 15, eight 5 × 7", pieces: [of(2, inch(4), inch(6)), of(8, mm(50), mm(70))] },
  {
    name: "10 × 15 cm: four 35 × 45, six 25 × 35 mm",
    pieces: [of(4, mm(35), mm(45)), of(6, mm(25), mm(35))],
  },
];
