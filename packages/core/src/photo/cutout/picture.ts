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
  const columns = placesOf(w, width);
  const rows = placesOf(h, height);
  for (let y = 0; y < h; y++) {
    const [top, bottom, down] = [rows.first[y]! * width, rows.second[y]! * width, rows.share[y]!];
    for (let x = 0; x < w; x++) {
      const left = columns.first[x]!;
      const right = columns.second[x]!;
      const across = columns.share[x]!;
      const upper = data[top + left]! * (1 - across) + data[top + right]! * across;
      const lower = data[bottom + left]! * (1 - across) + data[bottom + right]! * across;
      out[y * w + x] = upper * (1 - down) + lower * down;
    }
  }
  return { data: out, width: w, height: h };
}

/** For each place on a line of `to`, the two places around it on a line of `from`, and its share of the second. */
export function placesOf(to: number, from: number) {
  const first = new Int32Array(to);
  const second = new Int32Array(to);
  const share = new Float32Array(to);
  for (let i = 0; i < to; i++) {
    const at = Math.min(Math.max(((i + 0.5) * from) / to - 0.5, 0), from - 1);
    first[i] = Math.floor(at);
    second[i] = Math.min(first[i]! + 1, from - 1);
    share[i] = at - first[i]!;
  }
  return { first, second, share };
}

/**
 * The mean of the square of `radius` about each place, cut off at the edges: a running sum along each row, then one of
 * whole rows, so that memory is always read in its order.
 */
export function boxMean(values: Float32Array, width: number, height: number, radius: number): Float32Array {
  return meansDown(meansAcross(values, width, height, radius), width, height, radius);
}

/** One over the number of places within a radius of each of `length` places. */
function shares(length: number, radius: number): Float64Array {
  const out = new Float64Array(length);
  for (let i = 0; i < length; i++) {
    out[i] = 1 / (Math.min(length - 1, i + radius) - Math.max(0, i - radius) + 1);
  }
  return out;
}

function meansAcross(values: Float32Array, width: number, height: number, radius: number): Float32Array {
  const out = new Float32Array(values.length);
  const share = shares(width, radius);
  const reach = Math.min(radius, width - 1);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let sum = 0;
    for (let x = 0; x < reach; x++) sum += values[row + x]!;
    for (let x = 0; x < width; x++) {
      const ahead = x + radius;
      const behind = x - radius - 1;
      if (ahead < width) sum += values[row + ahead]!;
      if (behind >= 0) sum -= values[row + behind]!;
      out[row + x] = sum * share[x]!;
    }
  }
  return out;
}

function meansDown(values: Float32Array, width: number, height: number, radius: number): Float32Array {
  const out = new Float32Array(values.length);
  const share = shares(height, radius);
  const sums = new Float64Array(width);
  for (let i = 0; i < Math.min(radius, height - 1) * width; i++) sums[i % width]! += values[i]!;
  for (let y = 0; y < height; y++) {
    const row = y * width;
    const ahead = (y + radius) * width;
    const behind = (y - radius - 1) * width;
    const part = share[y]!;
    if (y + radius < height) for (let x = 0; x < width; x++) sums[x] = sums[x]! + values[ahead + x]!;
    if (behind >= 0) for (let x = 0; x < width; x++) sums[x] = sums[x]! - values[behind + x]!;
    for (let x = 0; x < width; x++) out[row + x] = sums[x]! * part;
  }
  return out;
}

/** A picture and its mask with blocks of pixels made one: for what changes slowly. */
export function coarse(
  { data, width, height, channels }: Pixels,
  mask: Plane,
  block: number,
): [Pixels, Plane] {
  const [w, h] = [Math.ceil(width / block), Math.ceil(height / block)];
  const sums = new Float32Array(w * h * 5);
  for (let y = 0; y < height; y++) {
    const row = Math.floor(y / block) * w;
    for (let x = 0; x < width; x++) {
      const [to, from] = [(row + Math.floor(x / block)) * 5, (y * width + x) * channels];
      sums[to]! += data[from]!;
      sums[to + 1]! += data[from + 1]!;
      sums[to + 2]! += data[from + 2]!;
      sums[to + 3]! += mask.data[y * width + x]!;
      sums[to + 4]! += 1;
    }
  }
  const small = new Uint8Array(w * h * 3);
  const covered = new Float32Array(w * h);
  for (let i = 0; i < w * h; i++) {
    const count = sums[i * 5 + 4]!;
    for (let c = 0; c < 3; c++) small[i * 3 + c] = Math.round(sums[i * 5 + c]! / count);
    covered[i] = sums[i * 5 + 3]! / count;
  }
  return [
    { data: small, width: w, height: h, channels: 3 },
    { data: covered, width: w, height: h },
  ];
}
