import { remembered } from "./remembered.ts";

/** The contrast that words need to be read by nearly everyone (WCAG 2.2, success criterion 1.4.3). */
export const READABLE = 4.5;

/** The contrast of two colours, #rrggbb, 1 to 21 (WCAG 2.2, definition of contrast ratio). */
export function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((one, other) => other - one) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

/** WCAG 2.2, definition of relative luminance. A page has few colours, and many words in them. */
const luminance = remembered((colour: string): number => {
  const [red, green, blue] = channels(colour).map((value) => {
    const share = value / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}, 500);

/** What is seen of a colour that lies over another one, 0 letting all of that through and 1 nothing. */
export function laidOver(colour: string, opacity: number, under: string): string {
  const below = channels(under);
  const mixed = channels(colour).map((value, i) => Math.round(value * opacity + below[i]! * (1 - opacity)));
  return `#${mixed.map((value) => value.toString(16).padStart(2, "0")).join("")}`;
}

const channels = (colour: string): number[] =>
  [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16));

/** A colour darkened as little as is needed to be read on all of these; null where even black is not. */
export function readableOn(colour: string, grounds: readonly string[]): string | null {
  for (let black = 0; black <= 20; black++) {
    const darker = laidOver("#000000", black / 20, colour);
    if (grounds.every((ground) => contrast(darker, ground) >= READABLE)) return darker;
  }
  return null;
}
