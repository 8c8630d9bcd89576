import { readCurve, type Curve } from "./curve.ts";
import type { Matrix } from "../matrix.ts";

/** A profile of RGB that is three curves and a matrix (ICC.1:2022, 8.3.3 and annex F.3). */
export interface Shaper {
  curves: [red: Curve, green: Curve, blue: Curve];
  /** X, Y and Z of full red, green and blue under D50, row by row: X of each, Y of each, Z of each. */
  matrix: Matrix;
}

const HEADER = 128;
/** Where a profile has tables, they say more than its matrix. */
const TABLES = ["A2B0", "A2B1", "A2B2", "B2A0", "B2A1", "B2A2", "D2B0", "B2D0"];

/** Reads a profile as curves and a matrix; null for one that is not, or whose black or white are not those of its curves. */
export function readShaper(bytes: Uint8Array): Shaper | null {
  const file = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  try {
    const tags = new Map(
      Array.from({ length: Math.min(file.getUint32(HEADER), 200) }, (_, i) => {
        const at = HEADER + 4 + 12 * i;
        return [String.fromCharCode(...bytes.subarray(at, at + 4)), file.getUint32(at + 4)] as const;
      }),
    );
    const isRgb = file.getUint32(16) === 0x52474220 && file.getUint32(20) === 0x58595a20;
    if (!isRgb || TABLES.some((name) => tags.has(name))) return null;
    const colorants = ["rXYZ", "gXYZ", "bXYZ"].map((name) => tags.get(name));
    const curves = ["rTRC", "gTRC", "bTRC"].map((name) => {
      const at = tags.get(name);
      return at === undefined ? null : readCurve(file, at);
    });
    if (!curves.every(reachesBoth) || colorants.includes(undefined)) return null;
    const matrix = [0, 1, 2].map((row) =>
      colorants.map((at) => file.getInt32(at! + 8 + 4 * row) / 65_536),
    ) as unknown as Matrix;
    return { curves: curves as Shaper["curves"], matrix };
  } catch {
    // Broken off inside: whoever opens it says so.
    return null;
  }
}

/** Whether a curve goes from no light to all of it without turning back. */
function reachesBoth(curve: Curve | null): curve is Curve {
  if (!curve || curve(0) > 1e-6 || Math.abs(curve(1) - 1) > 1e-3) return false;
  for (let i = 1; i <= 64; i++) if (!(curve(i / 64) >= curve((i - 1) / 64))) return false;
  return true;
}
