import type { Size } from "../../base/geometry/index.ts";

/** Photos that fill an area with nothing cropped. */
export interface WholeQuestion {
  area: Size;
  gap: number;
  /** Width over height of each photo. */
  proportions: readonly number[];
  /** How large each is to be against the others; 1 for all when left out. */
  weights?: readonly number[];
}
