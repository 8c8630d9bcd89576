/** Fields of an image file directory (TIFF 6.0, section 2; Exif 2.32, 4.6.2), big-endian. */
export type Field =
  | { tag: number; ascii: string }
  | { tag: number; short: number[] }
  | { tag: number; long: number[] }
  | { tag: number; rational: [over: number, under: number][] }
  | { tag: number; bytes: Uint8Array; as: 1 | 7 };

interface Coded {
  tag: number;
  type: number;
  count: number;
  data: Buffer;
}

/** Resolutions are written with four digits behind the point. */
const FRACTION = 10_000;

export const ratio = (value: number): [number, number] => [Math.round(value * FRACTION), FRACTION];

function coded(field: Field): Coded {
  const { tag } = field;
  if ("ascii" in field) {
    // UTF-8, as the Metadata Working Group asks for in fields of Exif that were meant for ASCII.
    const data = Buffer.from(`${field.ascii}\0`);
    return { tag, type: 2, count: data.length, data };
  }
  if ("short" in field) {
    const data = Buffer.alloc(field.short.length * 2);
    field.short.forEach((value, i) => data.writeUInt16BE(value, i * 2));
    return { tag, type: 3, count: field.short.length, data };
  }
  if ("long" in field) {
    const data = Buffer.alloc(field.long.length * 4);
    field.long.forEach((value, i) => data.writeUInt32BE(value, i * 4));
    return { tag, type: 4, count: field.long.length, data };
  }
  if ("rational" in field) {
    const data = Buffer.alloc(field.rational.length * 8);
    field.rational.forEach(([over, under], i) => {
      data.writeUInt32BE(over, i * 8);
      data.writeUInt32BE(under, i * 8 + 4);
    });
    return { tag, type: 5, count: field.rational.length, data };
  }
  return { tag, type: field.as, count: field.bytes.length, data: Buffer.from(field.bytes) };
}

/** A directory as it stands at `at` in its file: its entries in the order of their tags, then what they point to. */
export function directory(fields: readonly Field[], at: number): Buffer {
  const entries = fields.map(coded).sort((a, b) => a.tag - b.tag);
  const table = Buffer.alloc(2 + entries.length * 12 + 4);
  table.writeUInt16BE(entries.length, 0);
  const after: Buffer[] = [];
  let end = at + table.length;
  entries.forEach(({ tag, type, count, data }, i) => {
    const to = 2 + i * 12;
    table.writeUInt16BE(tag, to);
    table.writeUInt16BE(type, to + 2);
    table.writeUInt32BE(count, to + 4);
    if (data.length <= 4) data.copy(table, to + 8);
    else {
      table.writeUInt32BE(end, to + 8);
      const even = data.length % 2 === 0 ? data : Buffer.concat([data, Buffer.alloc(1)]);
      after.push(even);
      end += even.length;
    }
  });
  return Buffer.concat([table, ...after]);
}
