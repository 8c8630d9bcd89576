import { CODE } from "./code.ts";

/** What is used of WebAssembly, whose types come with those of browsers alone. */
declare const WebAssembly: {
  Module: new (code: Uint8Array) => object;
  Instance: new (module: object) => { exports: unknown };
};

/** The functions of weigh.wat, over a memory of their own. */
export interface Code {
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
  unpack8: Repack;
  unpack16: Repack;
  pack8: Repack;
  pack16: Repack;
  light8: AddLight;
  light16: AddLight;
}

type AddLight = (to: number, count: number, from: number, stride: number, by: number, table: number) => void;
type Repack = (to: number, count: number, from: number, stride: number) => void;

const PAGE = 65_536;
/** A pixel: four floats, whatever it has of channels. */
export const LANES = 4;
export const PIXEL = 4 * LANES;

let module: object | undefined;

export function instance(): Code {
  module ??= new WebAssembly.Module(new Uint8Array(Buffer.from(CODE, "base64")));
  return new WebAssembly.Instance(module).exports as Code;
}

/** Divides a memory: gives parts of it out one after the other, and makes it as large as they need together. */
export class Room {
  private end = 0;

  constructor(private readonly memory: Code["memory"]) {}

  /** Where the next part of so many bytes begins. */
  of(bytes: number): number {
    const start = this.end;
    this.end += Math.ceil(bytes / PIXEL + 1) * PIXEL;
    return start;
  }

  /** The memory, once all parts were given out. */
  made(): ArrayBuffer {
    const lacking = this.end - this.memory.buffer.byteLength;
    if (lacking > 0) this.memory.grow(Math.ceil(lacking / PAGE));
    return this.memory.buffer;
  }
}
