import type { Samples } from "@wide-quilt/colour";

/** Pixels of a photo of three channels or four; of light itself, four to a pixel, where they are floating-point numbers from 0 to 1. */
export interface Source {
  data: Samples | Float32Array;
  width: number;
  height: number;
  channels: number;
  /** Which of its pixels are held, where those are not all. */
  held?: { left: number; top: number; width: number };
}
