/** Mixes two "#rrggbb" colours; share 0 is the first, 1 the second. */
export function mix(a: string, b: string, share: number): string {
  const channel = (hex: string, i: number) => parseInt(hex.slice(1 + i * 2, 3 + i * 2), 16);
  const mixed = [0, 1, 2].map((i) => Math.round(channel(a, i) + (channel(b, i) - channel(a, i)) * share));
  return `#${mixed.map((value) => Math.min(255, Math.max(0, value)).toString(16).padStart(2, "0")).join("")}`;
}

export const darker = (colour: string, share: number): string => mix(colour, "#120c0a", share);
export const lighter = (colour: string, share: number): string => mix(colour, "#fff8ee", share);
