import type { Rect } from "./rect.ts";

/** A rectangle as an SVG path (SVG 2, 9.3), its corners rounded or not. */
export function rectPath({ x, y, width, height }: Rect, corner = 0): string {
  const r = Math.min(corner, width / 2, height / 2);
  if (r <= 0) return `M${x} ${y}h${width}v${height}h${-width}z`;
  const arc = (dx: number, dy: number) => `a${r} ${r} 0 0 1 ${dx} ${dy}`;
  return `M${x + r} ${y}h${width - 2 * r}${arc(r, r)}v${height - 2 * r}${arc(-r, r)}h${2 * r - width}${arc(-r, -r)}v${2 * r - height}${arc(r, -r)}z`;
}
