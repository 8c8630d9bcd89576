import type { Samples } from "@wide-quilt/colour";
import { fromLight, toLight } from "@wide-quilt/core";
import type { Source } from "./source.ts";
import { meansOf } from "./weigh/adder.ts";
import { LANES } from "./weigh/instance.ts";

/**
 * Between the values of a file and the light they stand for: the curve of sRGB (IEC 61966-2-1, 5.2), which those of other
 * RGB spaces are near enough to for weighing pixels against each other.
 */
export interface Light {
  /** By value: its light, 0…1. */
  table(data: Samples): Float32Array;
  encode(depth: 8 | 16): Encode;
}

/** Writes a row of light, as it was summed in pixels of four floats, as pixels of RGB from pixel `at` on. */
type Encode = (sum: Float32Array, out: Samples, at: number, width: number) => void;

/** So many steps of light that even in the shadows each is less than one of the file. */
const FINE = 1 << 20;

/** The light of sRGB; its tables are made when they are first wanted. */
class SrgbLight implements Light {
  private readonly tables = new Map<number, Float32Array>();
  private readonly codes = new Map<number, Samples>();

  table(data: Samples): Float32Array {
    const most = data instanceof Uint16Array ? 65_535 : 255;
    let table = this.tables.get(most);
    if (!table)
      this.tables.set(most, (table = Float32Array.from({ length: most + 1 }, (_, v) => toLight(v / most))));
    return table;
  }

  encode(depth: 8 | 16): Encode {
    const codes = this.codesOf(depth);
    const code = (v: number) => codes[v <= 0 ? 0 : v >= 1 ? FINE : (v * FINE + 0.5) | 0]!;
    return (sum, out, at, width) => {
      for (let x = 0, from = 0, to = at * 3; x < width; x++, from += LANES, to += 3) {
        out[to] = code(sum[from]!);
        out[to + 1] = code(sum[from + 1]!);
        out[to + 2] = code(sum[from + 2]!);
      }
    };
  }

  private codesOf(depth: 8 | 16): Samples {
    let codes = this.codes.get(depth);
    if (!codes) {
      const most = depth === 8 ? 255 : 65_535;
      codes = depth === 8 ? new Uint8Array(FINE + 1) : new Uint16Array(FINE + 1);
      for (let i = 0; i <= FINE; i++) codes[i] = Math.round(fromLight(i / FINE) * most);
      this.codes.set(depth, codes);
    }
    return codes;
  }
}

export const LIGHT: Light = new SrgbLight();

/** A photo of RGB made smaller by a whole number, each pixel the mean light of a square; the last ones of what is left. */
export function meanLight(photo: Source & { data: Samples }, by: number): Source {
  const { data, width, height } = photo;
  const means = meansOf(data, photo, by, LIGHT.table(data));
  return { data: means, width: Math.ceil(width / by), height: Math.ceil(height / by), channels: 3 };
}
