import { boxMean, resized, type Pixels, type Plane } from "./picture.ts";

/** Brightness of every pixel, 0…1 (weights of Rec. 709). */
export function brightness({ data, width, height, channels }: Pixels): Plane {
  const out = new Float32Array(width * height);
  for (let i = 0; i < out.length; i++) {
    const at = i * channels;
    out[i] = (0.2126 * data[at]! + 0.7152 * data[at + 1]! + 0.0722 * data[at + 2]!) / 255;
  }
  return { data: out, width, height };
}

/** A mask as a straight line of brightness around every place: mask ≈ a · brightness + b. */
export interface Lines {
  a: Float32Array;
  b: Float32Array;
  width: number;
  height: number;
}

/**
 * For every place the line that gives the mask from the brightness around it best (guided filter; He, Sun and Tang 2013,
 * equations 5, 6 and 8). At another size the same lines hold, which is what makes a mask fine again (He and Sun 2015).
 */
export function linesOf(guide: Plane, mask: Plane, radius: number, even: number): Lines {
  const { width, height } = guide;
  const mean = (values: Float32Array) => boxMean(values, width, height, radius);
  const times = (a: Float32Array, b: Float32Array) => {
    const product = new Float32Array(a.length);
    for (let i = 0; i < a.length; i++) product[i] = a[i]! * b[i]!;
    return product;
  };
  const [meanG, meanM] = [mean(guide.data), mean(mask.data)];
  const [meanGM, meanGG] = [mean(times(guide.data, mask.data)), mean(times(guide.data, guide.data))];
  const a = new Float32Array(meanG.length);
  const b = new Float32Array(meanG.length);
  for (let i = 0; i < a.length; i++) {
    const variance = Math.max(0, meanGG[i]! - meanG[i]! ** 2);
    a[i] = (meanGM[i]! - meanG[i]! * meanM[i]!) / (variance + even);
    b[i] = meanM[i]! - a[i]! * meanG[i]!;
  }
  return { a: mean(a), b: mean(b), width, height };
}

/** How soft an edge is made, in shares of the picture's longer side. */
const SOFT = 0.0035;
/** Differences of brightness below the root of this (2.5 levels of 255) are grain; a coat may be as near to its background as 14. */
const GRAIN = 1e-4;

/**
 * The soft mask of a picture from a hard division of a smaller one: the division is made as large, and around its edge
 * hair and skin decide by their brightness how far they belong to the person.
 */
export function soften(picture: Pixels, side: Uint8Array, width: number, height: number): Plane {
  const hard: Plane = { data: Float32Array.from(side), width, height };
  const large = resized(hard, picture.width, picture.height);
  const guide = brightness(picture);
  const radius = Math.max(2, Math.round(SOFT * Math.max(picture.width, picture.height)));
  const { a, b } = linesOf(guide, large, radius, GRAIN);
  const data = new Float32Array(a.length);
  for (let i = 0; i < data.length; i++) data[i] = edge(a[i]! * guide.data[i]! + b[i]!);
  return { data, width: picture.width, height: picture.height };
}

/** Nearly nothing is nothing, nearly all is all. */
export const edge = (value: number): number => Math.min(1, Math.max(0, (value - 0.06) / 0.88));
