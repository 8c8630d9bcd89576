/** The kinds of tags that profiles written here have, as bytes (ICC.1:2001-04, version 2, which everything reads). */

const text = (value: string): Buffer => Buffer.from(value, "latin1");

/** Four letters, four zero bytes, then what belongs to the type. */
const tag = (type: string, ...parts: Uint8Array[]): Buffer =>
  Buffer.concat([text(type), Buffer.alloc(4), ...parts]);

const u32 = (value: number): Buffer => {
  const bytes = Buffer.alloc(4);
  bytes.writeUInt32BE(value);
  return bytes;
};

export function u16(values: readonly number[]): Buffer {
  const bytes = Buffer.alloc(values.length * 2);
  values.forEach((value, i) => bytes.writeUInt16BE(Math.min(Math.max(Math.round(value), 0), 0xffff), i * 2));
  return bytes;
}

/** Numbers with sixteen bits behind the point (5.3.2, s15Fixed16Number). */
export const fixed = (...values: number[]): Buffer => {
  const bytes = Buffer.alloc(values.length * 4);
  values.forEach((value, i) => bytes.writeInt32BE(Math.round(value * 65_536), i * 4));
  return bytes;
};

/** textDescriptionType (6.5.17): ASCII alone, the other two scripts empty. */
export const descTag = (value: string): Buffer =>
  tag("desc", u32(value.length + 1), text(`${value}\0`), Buffer.alloc(4 + 4 + 2 + 1 + 67));

/** textType (6.5.18). */
export const textTag = (value: string): Buffer => tag("text", text(`${value}\0`));

/** XYZType (6.5.26). */
export const xyzTag = (x: number, y: number, z: number): Buffer => tag("XYZ ", fixed(x, y, z));

/** curveType (6.5.3): values at equal steps from 0 to 1, each 0…1. */
export const curveTag = (values: readonly number[]): Buffer =>
  tag("curv", u32(values.length), u16(values.map((value) => value * 65_535)));

/** A table from `inputs` channels to `outputs`: the first channel varies slowest, all values 0…65535. */
export interface Lut {
  inputs: number;
  outputs: number;
  /** Points along each channel. */
  grid: number;
  values: readonly number[];
}

/** lut16Type (6.5.8) with straight curves before and after the table. */
export function lutTag({ inputs, outputs, grid, values }: Lut): Buffer {
  const straight = u16([0, 65_535]);
  return tag(
    "mft2",
    Buffer.from([inputs, outputs, grid, 0]),
    fixed(1, 0, 0, 0, 1, 0, 0, 0, 1),
    u16([2, 2]),
    ...Array.from({ length: inputs }, () => straight),
    u16(values),
    ...Array.from({ length: outputs }, () => straight),
  );
}
