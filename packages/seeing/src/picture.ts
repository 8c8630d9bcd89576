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
    const FIGURES = Float32Array.from({ length: 256 }, (_, byte) => figure(byte));
    const beside = figure(BESIDE);
    const [middleX, middleY] = [square.x / shrunk - 0.5, square.y / shrunk - 0.5];
    let at = 0;
    for (let row = 0; row < size; row++) {
      const v = row + 0.5 - size / 2;
      for (let column = 0; column < size; column++, at += 3) {
        const u = column + 0.5 - size / 2;
        const x = middleX + u * right - v * down;
        const y = middleY + u * down + v * right;
        if (x < -0.5 || y < -0.5 || x > width - 0.5 || y > height - 0.5) {
          figures[at] = figures[at + 1] = figures[at + 2] = beside;
          continue;
        }
        const left = Math.min(Math.max(Math.floor(x), 0), Math.max(0, width - 2));
        const top = Math.min(Math.max(Math.floor(y), 0), Math.max(0, height - 2));
        const [across, below] = [clamp01(x - left), clamp01(y - top)];
        const i = (top * width + left) * channels;
        const next = width > 1 ? channels : 0;
        const under = height > 1 ? width * channels : 0;
        for (let channel = 0; channel < 3; channel++) {
          const k = i + channel;
          const upper = FIGURES[data[k]!]! * (1 - across) + FIGURES[data[k + next]!]! * across;
          const lower =
            FIGURES[data[k + under]!]! * (1 - across) + FIGURES[data[k + under + next]!]! * across;
          figures[at + channel] = upper * (1 - below) + lower * below;
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

const clamp01 = (value: number): number => Math.min(Math.max(value, 0), 1);
