import { bytesOf, deltaE2000, labOf, type Lab } from "./colour.ts";
import type { Pixels, Plane } from "./picture.ts";

/** How even a background is and how near to the colour that is wanted. */
export interface Evenness {
  /** Its colour on the whole, "#rrggbb". */
  colour: string;
  /** CIEDE2000 from the wanted colour, on the whole. */
  deviation: number;
  /** The part that is farthest from the wanted colour: how far, and its middle, 0…1 from left and top. */
  worst: { deviation: number; x: number; y: number };
  /** The largest difference of a part from the whole. */
  uneven: number;
}

/** Parts along the longer side. */
const PARTS = 16;
/** Every how manieth pixel is looked at, across and down: means do not need all of them. */
const LOOKED_AT = 2;
/** Less of a part than this is background, and it says nothing. */
const ENOUGH = 0.25;

/**
 * Measures the background of a picture, where the mask says that it is none of the person. Parts of it are compared, not
 * pixels: grain is no unevenness. Null where hardly any background is seen.
 */
export function evenness(picture: Pixels, mask: Plane, wanted: string): Evenness | null {
  const { data, width, height, channels } = picture;
  const side = Math.max(4, Math.ceil(Math.max(width, height) / PARTS));
  const parts: { lab: Lab; rgb: number[]; count: number; x: number; y: number }[] = [];
  for (let top = 0; top < height; top += side) {
    for (let left = 0; left < width; left += side) {
      const [bottom, right] = [Math.min(height, top + side), Math.min(width, left + side)];
      const rgb = [0, 0, 0];
      let count = 0;
      for (let y = top; y < bottom; y += LOOKED_AT) {
        for (let x = left; x < right; x += LOOKED_AT) {
          const i = y * width + x;
          if (mask.data[i]! > 0.01) continue;
          count++;
          for (let c = 0; c < 3; c++) rgb[c]! += data[i * channels + c]!;
        }
      }
      if (count * LOOKED_AT ** 2 < ENOUGH * (bottom - top) * (right - left)) continue;
      const mean = rgb.map((sum) => sum / count) as [number, number, number];
      parts.push({
        lab: labOf(...mean),
        rgb,
        count,
        x: (left + right) / 2 / width,
        y: (top + bottom) / 2 / height,
      });
    }
  }
  if (parts.length === 0) return null;
  const total = parts.reduce((sum, { count }) => sum + count, 0);
  const mean = [0, 1, 2].map((c) => parts.reduce((sum, { rgb }) => sum + rgb[c]!, 0) / total) as [
    number,
    number,
    number,
  ];
  const whole = labOf(...mean);
  const aim = labOf(...bytesOf(wanted));
  const off = parts.map(({ lab }) => deltaE2000(lab, aim));
  const worst = off.indexOf(Math.max(...off));
  return {
    colour: `#${mean.map((value) => Math.round(value).toString(16).padStart(2, "0")).join("")}`,
    deviation: deltaE2000(whole, aim),
    worst: { deviation: off[worst]!, x: parts[worst]!.x, y: parts[worst]!.y },
    uneven: Math.max(...parts.map(({ lab }) => deltaE2000(lab, whole))),
  };
}
