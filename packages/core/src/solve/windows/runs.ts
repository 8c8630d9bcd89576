/** How opaque each pixel is, a byte each, in rows. */
export interface Alpha {
  data: Uint8Array;
  width: number;
  height: number;
}

/** Stretches of transparent pixels, row by row, and which of them belong together. */
export interface Runs {
  /** By row: where its runs begin in the lists below; one more than there are rows. */
  rows: Int32Array;
  /** The first pixel of each run, and the first after it. */
  from: Int32Array;
  to: Int32Array;
  /** By run: the run that its part is named after. Parts touch by sides, not by corners. */
  part: Int32Array;
}

/** Finds what is less opaque than `threshold`, and what of it is connected (union-find over runs). */
export function runsOf({ data, width, height }: Alpha, threshold: number): Runs {
  const rows = new Int32Array(height + 1);
  let size = 1 << 16;
  let from = new Int32Array(size);
  let to = new Int32Array(size);
  let count = 0;
  for (let y = 0; y < height; y++) {
    rows[y] = count;
    const [start, end] = [y * width, (y + 1) * width];
    let at = start;
    while (at < end) {
      while (at < end && data[at]! >= threshold) at++;
      if (at === end) break;
      const begin = at;
      while (at < end && data[at]! < threshold) at++;
      if (count === size) {
        size *= 2;
        [from, to] = [grown(from, size), grown(to, size)];
      }
      from[count] = begin - start;
      to[count++] = at - start;
    }
  }
  rows[height] = count;
  return { rows, from, to, part: joined(rows, from, to, count) };
}

function grown(list: Int32Array, size: number): Int32Array<ArrayBuffer> {
  const larger = new Int32Array(size);
  larger.set(list);
  return larger;
}

function joined(rows: Int32Array, from: Int32Array, to: Int32Array, count: number): Int32Array {
  const part = Int32Array.from({ length: count }, (_, i) => i);
  const root = (i: number): number => {
    while (part[i] !== i) i = part[i] = part[part[i]!]!;
    return i;
  };
  for (let y = 1; y < rows.length - 1; y++) {
    let above = rows[y - 1]!;
    let here = rows[y]!;
    while (above < rows[y]! && here < rows[y + 1]!) {
      if (from[above]! < to[here]! && from[here]! < to[above]!) {
        const [a, b] = [root(above), root(here)];
        if (a !== b) part[Math.max(a, b)] = Math.min(a, b);
      }
      if (to[above]! < to[here]!) above++;
      else here++;
    }
  }
  for (let i = 0; i < count; i++) part[i] = root(i);
  return part;
}
