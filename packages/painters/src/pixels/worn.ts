import { lookChange, toPx, type Look, type Sharpening } from "@wide-quilt/core";
import { atDepth } from "@wide-quilt/colour";
import type { PaintSpace } from "../colour/space.ts";
import type { OwnColours } from "../photo/open.ts";
import { fromRaw, rawOf, type Raw } from "./decode.ts";

/** What a photo wears in its cell. */
export interface Wearing {
  look: Look | null;
  sharpening: Sharpening | null;
}

/**
 * A photo's pixels with their look, then sharpened for paper. Looks work in sRGB of eight bits, and inks are not sharpened as
 * inks, so `profile` says what the colours mean afterwards; null for sRGB.
 */
export async function worn(
  raw: Raw,
  { profile, channels }: OwnColours,
  { look, sharpening }: Wearing,
  ppi: number,
  { toSrgb }: Pick<PaintSpace, "toSrgb">,
): Promise<{ raw: Raw; profile: Buffer | null }> {
  const change = lookChange(look);
  if (!change && (channels === 3 || !sharpening))
    return { raw: await sharpened(raw, sharpening, ppi), profile };
  const data = atDepth(toSrgb(profile)?.(raw.data) ?? raw.data, 8) as Uint8Array;
  change?.(data, 3);
  return { raw: await sharpened({ ...raw, channels: 3, data }, sharpening, ppi), profile: null };
}

/** The least blur that is one, in pixels, and the most that the filter takes. */
const RADIUS = { least: 0.3, most: 10 };
/** Differences of lightness that are never cut off. */
const UNBOUND = 100;

/** Sharpens lightness alone: L* of L*a*b*, by the same amount in flat and in jagged places. */
export async function sharpened(raw: Raw, how: Sharpening | null, ppi: number): Promise<Raw> {
  if (!how) return raw;
  const { radius, amount } = how;
  const sigma = Math.min(Math.max(toPx(radius, ppi), RADIUS.least), RADIUS.most);
  const sharp = fromRaw(raw).sharpen({ sigma, m1: amount, m2: amount, x1: 1, y2: UNBOUND, y3: UNBOUND });
  return rawOf(sharp, raw.data instanceof Uint16Array ? 16 : 8);
}
