import { placesOf, type Pixels } from "@wide-quilt/core";

/** A square of a picture, turned about its middle; degrees clockwise, side in pixels. */
export interface Square {
  x: number;
  y: number;
  side: number;
  angle: number;
}

/** Beside a picture there is middle grey. */
const BESIDE = 128;

/**
 * A picture as models are shown it: any square of it, at any size. It keeps itself halved, halved again and so on, each
 * made when it is first wanted, so that a large square drawn small is a mean of its pixels and not a sample of them.
 *
 * Done by ourselves rather than by a canvas, so that the browser and the server see exactly the same.
 */
export class Picture {
  readonly width: number;
  readonly height: number;
  private readonly halved: Pixels[];

  constructor(pixels: Pixels) {
    this.width = pixels.width;
    this.height = pixels.height;
    this.halved = [pixels];
  }

  get pixels(): Pixels {
    return this.halved[0]!;
  }

  /** The square around the whole picture. */
  get whole(): Square {
    const side = Math.max(this.width, this.height);
    return { x: this.width / 2, y: this.height / 2, side, angle: 0 };
  }

  /** A square drawn upright at `size` × `size` pixels, as red, green and blue figures for a model. */
  drawn(square: Square, size: number, figure: (byte: number) => number): Float32Array {
    const step = square.side / size;
    const level = Math.max(0, Math.min(8, Math.round(Math.log2(step))));
    const { data, width, height, channels } = this.level(level);
    const shrunk = 2 ** level;
    const radians = (square.angle * Math.PI) / 180;
    const [right, down] = [(Math.cos(radians) * step) / shrunk, (Math.sin(radians) * step) / shrunk];
    const figures = new Float32Array(size * size * 3);
    const table = Float32Array.from({ length: 256 }, (_, byte) => figure(byte));
    const beside = figure(BESIDE);
    const [middleX, middleY] = [square.x / shrunk - 0.5, square.y / shrunk - 0.5];
    const [lastX, lastY] = [Math.max(0, width - 2), Math.max(0, height - 2)];
    const next = width > 1 ? channels : 0;
    const under = height > 1 ? width * channels : 0;
    // Plain scalars: this runs for every pixel that a model is shown.
    let at = 0;
    for (let row = 0; row < size; row++) {
      const v = row + 0.5 - size / 2;
      let x = middleX + (0.5 - size / 2) * right - v * down;
      let y = middleY + (0.5 - size / 2) * down + v * right;
      for (let column = 0; column < size; column++, at += 3, x += right, y += down) {
        if (x < -0.5 || y < -0.5 || x > width - 0.5 || y > height - 0.5) {
          figures[at] = figures[at + 1] = figures[at + 2] = beside;
          continue;
        }
        let left = x < 0 ? 0 : x | 0;
        let top = y < 0 ? 0 : y | 0;
        if (left > lastX) left = lastX;
        if (top > lastY) top = lastY;
        const across = clamp01(x - left);
        const below = clamp01(y - top);
        const w11 = across * below;
        const w10 = across - w11;
        const w01 = below - w11;
        const w00 = 1 - across - w01;
        let k = (top * width + left) * channels;
        for (let channel = 0; channel < 3; channel++, k++) {
          figures[at + channel] =
            table[data[k]!]! * w00 +
            table[data[k + next]!]! * w10 +
            table[data[k + under]!]! * w01 +
            table[data[k + under + next]!]! * w11;
        }
      }
    }
    return figures;
  }

  /** The picture smaller, its longer side at most this long; itself where it is no longer. */
  shrunk(longest: number): Pixels {
    const scale = longest / Math.max(this.width, this.height);
    if (scale >= 1) return this.pixels;
    const [w, h] = [
      Math.max(1, Math.round(this.width * scale)),
      Math.max(1, Math.round(this.height * scale)),
    ];
    const { data, width, height, channels } = this.level(Math.max(0, Math.floor(Math.log2(1 / scale))));
    const [columns, rows] = [placesOf(w, width), placesOf(h, height)];
    const out = new Uint8Array(w * h * channels);
    let to = 0;
    for (let y = 0; y < h; y++) {
      const [top, bottom, down] = [rows.first[y]! * width, rows.second[y]! * width, rows.share[y]!];
      for (let x = 0; x < w; x++) {
        const [left, right, across] = [columns.first[x]!, columns.second[x]!, columns.share[x]!];
        for (let c = 0; c < channels; c++, to++) {
          const upper =
            data[(top + left) * channels + c]! * (1 - across) + data[(top + right) * channels + c]! * across;
          const lower =
            data[(bottom + left) * channels + c]! * (1 - across) +
            data[(bottom + right) * channels + c]! * across;
          out[to] = Math.round(upper * (1 - down) + lower * down);
        }
      }
    }
    return { data: out, width: w, height: h, channels };
  }

  private level(level: number): Pixels {
    while (this.halved.length <= level) this.halved.push(half(this.halved.at(-1)!));
    return this.halved[level]!;
  }
}

/** A point of a drawn square, 0…1 from its left and top, in the picture. */
export function fromSquare({ x, y, side, angle }: Square, across: number, down: number) {
  const radians = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const [dx, dy] = [(across - 0.5) * side, (down - 0.5) * side];
  return { x: x + dx * cos - dy * sin, y: y + dx * sin + dy * cos };
}

/** The other way: a point of the picture in a square drawn at `size` pixels. */
export function inSquare({ x, y, side, angle }: Square, point: { x: number; y: number }, size: number) {
  const radians = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  const [dx, dy] = [point.x - x, point.y - y];
  return {
    x: size / 2 + ((dx * cos + dy * sin) * size) / side,
    y: size / 2 + ((dy * cos - dx * sin) * size) / side,
  };
}

/** Half as wide and as high, each pixel the mean of four; an odd last row or column is left out. */
function half({ data, width, height, channels }: Pixels): Pixels {
  const [w, h] = [Math.max(1, width >> 1), Math.max(1, height >> 1)];
  const out = new Uint8Array(w * h * channels);
  const [right, down] = [width > 1 ? channels : 0, height > 1 ? width * channels : 0];
  let to = 0;
  for (let y = 0; y < h; y++) {
    let from = y * 2 * width * channels;
    for (let x = 0; x < w; x++, from += 2 * channels) {
      for (let channel = 0; channel < channels; channel++, to++) {
        const i = from + channel;
        out[to] = (data[i]! + data[i + right]! + data[i + down]! + data[i + down + right]! + 2) >> 2;
      }
    }
  }
  return { data: out, width: w, height: h, channels };
}

const clamp01 = (value: number): number => (value < 0 ? 0 : value > 1 ? 1 : value);
