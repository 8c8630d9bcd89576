import type { Alpha } from "../index.ts";

/** A window as it is drawn: upright first, then tilted about its middle, degrees clockwise. */
export interface Drawn {
  shape: "rectangle" | "rounded" | "ellipse";
  x: number;
  y: number;
  width: number;
  height: number;
  angle: number;
}

interface Work {
  width: number;
  height: number;
  /** How wide the ramp from opaque to transparent is, in pixels, half of it to each side of the edge. */
  soft: number;
  windows: readonly Drawn[];
  /** Specks of up to two pixels either way, alpha off by up to so much, a disc that stands in every window. */
  noise?: { specks: number; grain: number; islands: boolean } | null;
  random?: () => number;
}

/**
 * The alpha of an artwork, worked out from distances and not by any library: half transparent on a window’s edge, changing
 * evenly across the ramp, which is at least a pixel wide.
 */
export function drawnAlpha({ width, height, soft, windows, noise, random = () => 0 }: Work): Alpha {
  const data = new Uint8Array(width * height).fill(255);
  const ramp = Math.max(1, soft);
  for (const window of windows) {
    const reach = Math.hypot(window.width, window.height) / 2 + ramp;
    const [cx, cy] = [window.x + window.width / 2, window.y + window.height / 2];
    for (let y = Math.max(0, Math.floor(cy - reach)); y < Math.min(height, cy + reach); y++) {
      for (let x = Math.max(0, Math.floor(cx - reach)); x < Math.min(width, cx + reach); x++) {
        const island = noise?.islands
          ? Math.hypot(x + 0.5 - cx, y + 0.5 - cy) - 0.12 * Math.min(window.width, window.height)
          : Infinity;
        const away = Math.max(distance(window, x + 0.5, y + 0.5), -island);
        const opaque = Math.min(1, Math.max(0, 0.5 + away / ramp));
        data[y * width + x] = Math.min(data[y * width + x]!, Math.round(opaque * 255));
      }
    }
  }
  if (noise) {
    for (let i = 0; i < noise.specks; i++) {
      const at = Math.floor(random() * (height - 2)) * width + Math.floor(random() * (width - 2));
      const value = random() < 0.5 ? 0 : 255;
      for (const more of [0, 1, width]) data[at + more] = value;
    }
    for (let i = 0; i < data.length; i++)
      data[i] = Math.min(255, Math.max(0, data[i]! + Math.round((random() - 0.5) * 2 * noise.grain)));
  }
  return { data, width, height };
}

/** How far a point is outside a window’s edge, in pixels; negative inside. */
function distance({ shape, x, y, width, height, angle }: Drawn, px: number, py: number): number {
  const radians = (angle * Math.PI) / 180;
  const [dx, dy] = [px - x - width / 2, py - y - height / 2];
  const u = Math.abs(dx * Math.cos(radians) + dy * Math.sin(radians));
  const v = Math.abs(dy * Math.cos(radians) - dx * Math.sin(radians));
  const [a, b] = [width / 2, height / 2];
  if (shape === "ellipse") {
    // To the first order: the value over the length of its gradient.
    const [p, q] = [u / a, v / b];
    const value = Math.hypot(p, q);
    return value === 0 ? -Math.min(a, b) : (value * (value - 1)) / Math.hypot(p / a, q / b);
  }
  const round = shape === "rounded" ? 0.12 * Math.min(width, height) : 0;
  const [right, below] = [u - a + round, v - b + round];
  return Math.hypot(Math.max(right, 0), Math.max(below, 0)) + Math.min(Math.max(right, below), 0) - round;
}
