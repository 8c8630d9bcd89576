/** Pixels, channel by channel, of 8 or 16 bits. */
export type Samples = Uint8Array | Uint16Array;

/** Converts pixels, any number of them. */
export type Conversion = (pixels: Samples) => Samples;

/** The same samples with as many bits as wanted: 255 and 65 535 are the same light. */
export function atDepth(pixels: Samples, depth: 8 | 16): Samples {
  if (pixels instanceof Uint16Array === (depth === 16)) return pixels;
  const out = depth === 8 ? new Uint8Array(pixels.length) : new Uint16Array(pixels.length);
  // A loop: making one array of another by a function takes ten times as long.
  if (depth === 8) for (let i = 0; i < out.length; i++) out[i] = Math.round(pixels[i]! / 257);
  else for (let i = 0; i < out.length; i++) out[i] = pixels[i]! * 257;
  return out;
}
