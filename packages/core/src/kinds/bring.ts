import type { Edges, Fit, Fitting } from "../base/geometry/index.ts";
import type { Um } from "../base/length/index.ts";
import type { LengthRange, PhotoId } from "../schema/index.ts";

/** How pages are brought to another size: each place by its edges, lengths on their own by the smaller of both factors. */
export interface Bring {
  fitting: Fitting;
  fit: Fit;
  /** How far stretching may change the proportion, in percent. */
  most: number;
  /** An artwork whose edges were repeated for that page, and by how many pixels at each side; null for none. */
  widened: ({ of: PhotoId; file: PhotoId } & Record<keyof Edges, number>) | null;
  /** A gap, a border, the height of letters: scaled and kept inside what it may be. */
  length(own: Um, range: LengthRange): Um;
}
