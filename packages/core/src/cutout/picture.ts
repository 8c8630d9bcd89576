/** Pixels in rows, `channels` bytes each, red, green and blue first. */
export interface Pixels {
  data: Uint8Array | Uint8ClampedArray;
  width: number;
  height: number;
  channels: 3 | 4;
}

/** A figure for every pixel. */
export interface Plane {
  data: Float32Array;
  width: number;
  height: number;
}

/** A plane at another size, between the pixels where it is larger (bilinear, pixel middles at halves). */
export function resized({ data, width, height }: Plane, w: number, h: number): Plane {
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++) {
    const [top, bottom, down] = between(((y + 0.5) * height) / h - 0.5, height);
    for (let x = 0; x < w; x++) {
      const [left, right, across] = between(((x + 0.5) * width) / w - 0.5, width);
      const upper = data[top * width + left]! * (1 - across) + data[top * width + right]! * across;
      const lower = data[bottom * width + left]! * (1 - across) + data[bottom * width + right]! * across;
      out[y * w + x] = upper * (1 - down) + lower * down;
    }
  }
  return { data: out, width: w, height: h };
}

/** The two whole places around one on a line of `length`, and how far it is towards the second. */
export function between(at: number, length: number): [number, number, number] {
  const clamped = Math.min(Math.max(at, 0), length - 1);
  const first = Math.floor(clamped);
  return [first, Math.min(first + 1, length - 1), clamped - first];
}

/** The mean of the square of `radius` about each place, cut off at the edges: two running sums. */
export function boxMean(values: Float32Array, width: number, height: number, radius: number): Float32Array {
  const across = new Float32Array(values.length);
  for (let y = 0; y < height; y++) run(values, across, y * width, 1, width, radius);
  const out = new Float32Array(values.length);
  for (let x = 0; x < width; x++) run(across, out, x, width, height, radius);
  return out;
}

function run(
  from: Float32Array,
  to: Float32Array,
  start: number,
  step: number,
  length: number,
  radius: number,
): void {
  let sum = 0;
  for (let i = 0; i < Math.min(radius, length); i++) sum += from[start + i * step]!;
  for (let i = 0; i < length; i++) {
    if (i + radius < length) sum += from[start + (i + radius) * step]!;
    if (i - radius > 0) sum -= from[start + (i - radius - 1) * step]!;
    to[start + i * step] = sum / (Math.min(length - 1, i + radius) - Math.max(0, i - radius) + 1);
  }
}
