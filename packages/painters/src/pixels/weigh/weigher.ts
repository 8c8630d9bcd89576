import { CODE } from "./code.ts";

/** For each pixel of a line: the pixels it looks at, from `first` on `count` of them, and how it weighs each. */
export interface LookingBack {
  first: Int32Array;
  count: Int32Array;
  /** `most` to each pixel. */
  weights: Float32Array;
  most: number;
}

/** What is used of WebAssembly, whose types come with those of browsers alone. */
declare const WebAssembly: {
  Module: new (code: Uint8Array) => object;
  Instance: new (module: object) => { exports: unknown };
};

interface Code {
  memory: { buffer: ArrayBuffer; grow(pages: number): number };
  across(
    to: number,
    width: number,
    line: number,
    first: number,
    count: number,
    weights: number,
    most: number,
  ): void;
  down(to: number, width: number, line: number, weight: number): void;
}

const PAGE = 65_536;
/** A pixel: four floats, whatever it has of channels. */
export const LANES = 4;
const PIXEL = 4 * LANES;

let module: object | undefined;
const idle: Weigher[] = [];

/** Sums of pixels by their weights, line by line, in memory of its own; one for each picture that is worked on. */
export class Weigher {
  private readonly code: Code;
  private columns: LookingBack | undefined;
  private at = { first: 0, count: 0, weights: 0, plane: 0, sum: 0, lines: 0 };
  private width = 0;
  /** The line to be resampled, and the sum of lines, pixel by pixel of four floats. */
  plane = new Float32Array();
  sum = new Float32Array();

  private constructor() {
    module ??= new WebAssembly.Module(new Uint8Array(Buffer.from(CODE, "base64")));
    this.code = new WebAssembly.Instance(module).exports as Code;
  }

  /** One that nobody works with; give it back with `done`. */
  static take(): Weigher {
    return idle.pop() ?? new Weigher();
  }

  done(): void {
    idle.push(this);
  }

  /** Gets ready for lines of so many pixels, of which as many as `keep` are kept after they were resampled. */
  ready(columns: LookingBack, width: number, length: number, keep: number): void {
    let end = 0;
    const room = (bytes: number) => {
      const start = end;
      end += Math.ceil(bytes / PIXEL) * PIXEL;
      return start;
    };
    this.columns = columns;
    this.width = width;
    this.at = {
      first: room(4 * width),
      count: room(4 * width),
      weights: room(4 * width * columns.most),
      plane: room(length * PIXEL),
      sum: room(width * PIXEL),
      lines: room(keep * width * PIXEL),
    };
    const { memory } = this.code;
    const lacking = end - memory.buffer.byteLength;
    if (lacking > 0) memory.grow(Math.ceil(lacking / PAGE));
    const { buffer } = memory;
    new Int32Array(buffer, this.at.first, width).set(columns.first);
    new Int32Array(buffer, this.at.count, width).set(columns.count);
    new Float32Array(buffer, this.at.weights, columns.weights.length).set(columns.weights);
    this.plane = new Float32Array(buffer, this.at.plane, length * LANES);
    this.sum = new Float32Array(buffer, this.at.sum, width * LANES);
  }

  /** Resamples what is in `plane` along itself and keeps it in a place. */
  across(place: number): void {
    const { first, count, weights, plane } = this.at;
    this.code.across(this.lineAt(place), this.width, plane, first, count, weights, this.columns!.most);
  }

  /** Adds the line that is kept in a place to `sum`. */
  down(place: number, weight: number): void {
    this.code.down(this.at.sum, this.width, this.lineAt(place), weight);
  }

  private lineAt = (place: number): number => this.at.lines + place * this.width * PIXEL;
}
