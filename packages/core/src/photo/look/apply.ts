import { curveThrough } from "./curve.ts";
import { AS_IT_IS, type Look } from "./schema.ts";

/** Changes pixels where they are: 8-bit sRGB, `channels` bytes a pixel, of which the first three are colour. */
export type PixelChange = (pixels: Uint8Array | Uint8ClampedArray, channels: 3 | 4) => void;

/** Stops between red and blue at full warmth, half of it to each side. */
const WARMTH = 0.5;
/** How far full contrast steepens the middle, and how far fading lifts black and lowers white. */
const CONTRAST = 0.9;
const FADE = { black: 0.22, white: 0.04, colour: 0.35 };
/** Shares of red, green and blue in brightness (ITU-R BT.709). */
const LUMA = [0.2126, 0.7152, 0.0722] as const;
/** Steps of the tone table: fine enough that it is never the cause of a step in the result. */
const FINE = 4096;

/** From sRGB to light and back (IEC 61966-2-1). */
export const toLight = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
export const fromLight = (l: number): number => (l <= 0.0031308 ? l * 12.92 : 1.055 * l ** (1 / 2.4) - 0.055);

export const isAsItIs = (look: Look | null): boolean =>
  look === null ||
  (look.curve.length === 0 &&
    Object.entries(AS_IT_IS).every(([k, v]) => k === "curve" || look[k as "fade"] === v));

/**
 * What a look does to pixels; the one definition for the screen, for pixels and for PDF. Null when it does nothing.
 *
 *     light:  × 2^exposure, red and blue apart by warmth        (a table a channel)
 *     colour: brightness + (colour − brightness) · saturation   (each pixel)
 *     tone:   contrast → curve → fade → pale                    (one fine table)
 *
 * Nothing is rounded before the end.
 */
export function lookChange(look: Look | null): PixelChange | null {
  if (look === null || isAsItIs(look)) return null;
  const light = [WARMTH / 2, 0, -WARMTH / 2].map((stops) => lightTable(look.exposure + stops * look.warmth));
  const [red, green, blue] = light as [Float64Array, Float64Array, Float64Array];
  const colour = (1 + look.saturation) * (1 - look.mono) * (1 - FADE.colour * look.fade);
  const tone = toneTable(look);
  return (pixels, channels) => {
    for (let i = 0; i < pixels.length; i += channels) {
      const r = red[pixels[i]!]!;
      const g = green[pixels[i + 1]!]!;
      const b = blue[pixels[i + 2]!]!;
      const grey = LUMA[0] * r + LUMA[1] * g + LUMA[2] * b;
      pixels[i] = tone[index(grey + (r - grey) * colour)]!;
      pixels[i + 1] = tone[index(grey + (g - grey) * colour)]!;
      pixels[i + 2] = tone[index(grey + (b - grey) * colour)]!;
    }
  };
}

const index = (value: number): number => (value <= 0 ? 0 : value >= 1 ? FINE : (value * FINE + 0.5) | 0);

function lightTable(stops: number): Float64Array {
  const gain = 2 ** stops;
  return Float64Array.from({ length: 256 }, (_, v) => fromLight(Math.min(1, toLight(v / 255) * gain)));
}

function toneTable({ contrast, curve, fade, pale }: Look): Uint8Array {
  const through = curveThrough(curve);
  return Uint8Array.from({ length: FINE + 1 }, (_, i) => {
    const v = through(withContrast(i / FINE, contrast * CONTRAST));
    const black = FADE.black * fade;
    const faded = black + v * (1 - black - FADE.white * fade);
    return Math.round(255 * (1 - (1 - faded) * (1 - pale)));
  });
}

/** An S about the middle: steeper there for more contrast, flatter for less; black, middle grey and white stay. */
function withContrast(v: number, contrast: number): number {
  const s = v < 0.5 ? 2 * v : 2 * (1 - v);
  const bent = s ** (2 ** contrast);
  return v < 0.5 ? bent / 2 : 1 - bent / 2;
}
