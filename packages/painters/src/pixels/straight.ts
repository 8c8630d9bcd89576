/** Colours that were multiplied by their alpha, divided by it again. */
export function straightAlpha(pixels: Buffer): Buffer {
  for (let i = 0; i < pixels.length; i += 4) {
    const alpha = pixels[i + 3]!;
    if (alpha === 0 || alpha === 255) continue;
    for (let c = 0; c < 3; c++) pixels[i + c] = Math.min(255, Math.round((pixels[i + c]! * 255) / alpha));
  }
  return pixels;
}
