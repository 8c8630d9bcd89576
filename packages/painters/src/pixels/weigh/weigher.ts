import type { Samples } from "@wide-quilt/colour";
import { instance, LANES, PIXEL, Room } from "./instance.ts";

/** For each pixel of a line: the pixels it looks at, from `first` on `count` of them, and how it weighs each. */
export interface LookingBack {
  first: Int32Array;
  count: Int32Array;
  /** `most` to each pixel. */
  weights: Float32Array;
  most: number;
}

/** Bytes of a pixel of four channels of sixteen bits. */
const MOST_PACKED = 8;

const idle: Weigher[] = [];

/** Sums of pixels by their weights, line by line, in memory of its own; one for each picture that is worked on. */
export class Weigher {
  private readonly code = instance();
  private columns: LookingBack | undefined;
  private at = { first: 0, count: 0, weights: 0, packed: 0, plane: 0, sum: 0, lines: 0 };
  private width = 0;
  /** Room for a line as it comes in and as it goes out. */
  private packed8 = new Uint8Array();
  private packed16 = new Uint16Array();
  /** The line to be resampled, and the sum of lines, pixel by pixel of four floats. */
  plane: Float32Array = new Float32Array();
  sum: Float32Array = new Float32Array();

  private constructor() {}

  /** One that nobody works with; give it back with `done`. */
  static take(): Weigher {
    return idle.pop() ?? new Weigher();
  }

  done(): void {
    idle.push(this);
  }

  /** Gets ready for lines of so many pixels, of which as many as `keep` are kept after they were resampled. */
  ready(columns: LookingBack, width: number, length: number, keep: number): void {
    const room = new Room(this.code.memory);
    this.columns = columns;
    this.width = width;
    this.at = {
      first: room.of(4 * width),
      count: room.of(4 * width),
      weights: room.of(4 * width * columns.most),
      packed: room.of(Math.max(length, width) * MOST_PACKED),
      plane: room.of(length * PIXEL),
      sum: room.of(width * PIXEL),
      lines: room.of(keep * width * PIXEL),
    };
    const buffer = room.made();
    new Int32Array(buffer, this.at.first, width).set(columns.first);
    new Int32Array(buffer, this.at.count, width).set(columns.count);
    new Float32Array(buffer, this.at.weights, columns.weights.length).set(columns.weights);
    const bytes = this.at.plane - this.at.packed;
    this.packed8 = new Uint8Array(buffer, this.at.packed, bytes);
    this.packed16 = new Uint16Array(buffer, this.at.packed, bytes / 2);
    this.plane = new Float32Array(buffer, this.at.plane, length * LANES);
    this.sum = new Float32Array(buffer, this.at.sum, width * LANES);
  }

  /** Puts pixels into `plane`, from pixel `to` on. */
  unpack(pixels: Samples, to: number, channels: number): void {
    const at = this.at.plane + to * PIXEL;
    const count = pixels.length / channels;
    if (pixels instanceof Uint16Array) {
      this.packed16.set(pixels);
      this.code.unpack16(at, count, this.at.packed, 2 * channels);
    } else {
      this.packed8.set(pixels);
      this.code.unpack8(at, count, this.at.packed, channels);
    }
  }

  /** Writes `sum`, rounded, from a place on. */
  pack(out: Samples, to: number, channels: number): void {
    const length = this.width * channels;
    if (out instanceof Uint16Array) {
      this.code.pack16(this.at.packed, this.width, this.at.sum, 2 * channels);
      out.set(this.packed16.subarray(0, length), to);
    } else {
      this.code.pack8(this.at.packed, this.width, this.at.sum, channels);
      out.set(this.packed8.subarray(0, length), to);
    }
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
