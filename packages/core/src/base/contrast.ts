/** The contrast that words need to be read by nearly everyone (WCAG 2.2, success criterion 1.4.3). */
export const READABLE = 4.5;

/** The contrast of two colours, #rrggbb, 1 to 21 (WCAG 2.2, definition of contrast ratio). */
export function contrast(a: string, b: string): number {
  const [one, other] = [luminance(a), luminance(b)];
  return (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
}

/** The share of light of each of the 256 values of a channel (WCAG 2.2, definition of relative luminance). */
const LIGHT = Float64Array.from({ length: 256 }, (_, value) => {
  const share = value / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});

/** How light a colour is, #rrggbb, 0 to 1 (the same). */
export function luminance(colour: string): number {
  const bits = Number.parseInt(colour.slice(1), 16);
  return 0.2126 * LIGHT[bits >> 16]! + 0.7152 * LIGHT[(bits >> 8) & 255]! + 0.0722 * LIGHT[bits & 255]!;
}

/** What is seen of a colour that lies over another one, 0 letting all of that through and 1 nothing. */
export function laidOver(colour: string, opacity: number, under: string): string {
  const below = channels(under);
  const mixed = channels(colour).map((value, i) => Math.round(value * opacity + below[i]! * (1 - opacity)));
  return colourOf(mixed);
}

/** The red, green and blue of a colour, #rrggbb, 0 to 255. */
export const channels = (colour: string): number[] =>
  [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));

/** The colour of a red, green and blue. */
export const colourOf = (values: readonly number[]): string =>
  `#${values.map((value) => value.toString(16).padStart(2, "0")).join("")}`;

/** A colour darkened as little as is needed to be read on all of these; null where even black is not. */
export function readableOn(colour: string, grounds: readonly string[]): string | null {
  for (let black = 0; black <= 20; black++) {
    const darker = laidOver("#000000", black / 20, colour);
    if (grounds.every((ground) => contrast(darker, ground) >= READABLE)) return darker;
  }
  return null;
}
