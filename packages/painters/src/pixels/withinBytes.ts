import type { SheetPixels } from "./canvas.ts";
import { encodeSheet } from "./encode.ts";

/** Below this quality a face is spoilt. */
const LEAST_QUALITY = 40;

/**
 * A sheet as the best JPEG that is not larger than an office takes. Null where even a poor one would be. Where it is smaller
 * than what is asked for, the finest there is is given.
 */
export async function withinBytes(sheet: SheetPixels, ppi: number, most: number): Promise<Buffer | null> {
  const at = (quality: number) => encodeSheet(sheet, ppi, { format: "jpeg", quality });
  let [low, high] = [LEAST_QUALITY, 98];
  let best = await at(high);
  if (best.length <= most) return best;
  best = await at(low);
  if (best.length > most) return null;
  while (high - low > 1) {
    const quality = (low + high) >> 1;
    const tried = await at(quality);
    if (tried.length <= most) [low, best] = [quality, tried];
    else high = quality;
  }
  return best;
}
