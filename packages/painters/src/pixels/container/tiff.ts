import { mainFields } from "../../about/exif.ts";
import { directory, type Field } from "../../about/ifd.ts";
import { xmpPacket } from "../../about/xmp.ts";
import type { Attached } from "./attached.ts";

const XMP = 700;
const ICC_PROFILE = 34_675;

/**
 * A bare TIFF with density, names, XMP and profile: a directory that has all of it is put behind the picture, and the
 * header points there (TIFF 6.0, section 2).
 */
export function intoTiff(tiff: Buffer, { ppi, profile, about }: Attached): Buffer {
  const fields: Field[] = [
    ...mainFields(about, ppi),
    { tag: XMP, bytes: Buffer.from(xmpPacket(about)), as: 1 },
    ...(profile ? [{ tag: ICC_PROFILE, bytes: profile, as: 7 } as const] : []),
  ];
  const own = new Set(fields.map(({ tag }) => tag));
  const kept = fieldsOf(tiff).filter(({ tag }) => !own.has(tag));
  const at = tiff.length + (tiff.length % 2);
  const big = isBigEndian(tiff);
  const out = Buffer.concat([
    tiff,
    Buffer.alloc(at - tiff.length),
    big ? directory([...kept, ...fields], at) : swapped(directory([...kept, ...fields], at), at),
  ]);
  if (big) out.writeUInt32BE(at, 4);
  else out.writeUInt32LE(at, 4);
  return out;
}

const isBigEndian = (tiff: Buffer): boolean => tiff.toString("latin1", 0, 2) === "MM";

/** The fields of a TIFF's first directory, as far as an encoder writes them: numbers of two and four bytes, ratios. */
function fieldsOf(tiff: Buffer): Field[] {
  const big = isBigEndian(tiff);
  const u16 = (at: number) => (big ? tiff.readUInt16BE(at) : tiff.readUInt16LE(at));
  const u32 = (at: number) => (big ? tiff.readUInt32BE(at) : tiff.readUInt32LE(at));
  const first = u32(4);
  return Array.from({ length: u16(first) }, (_, i): Field => {
    const at = first + 2 + i * 12;
    const [tag, type, count] = [u16(at), u16(at + 2), u32(at + 4)];
    const size = { 3: 2, 4: 4, 5: 8 }[type];
    if (!size) throw new Error(`A field of type ${type} is not known in a TIFF.`);
    const from = size * count <= 4 ? at + 8 : u32(at + 8);
    const each = <T>(read: (at: number) => T): T[] =>
      Array.from({ length: count }, (__, j) => read(from + j * size));
    if (type === 3) return { tag, short: each(u16) };
    if (type === 4) return { tag, long: each(u32) };
    return { tag, rational: each((to): [number, number] => [u32(to), u32(to + 4)]) };
  });
}

/** The same directory for a little-endian file. */
function swapped(ifd: Buffer, start: number): Buffer {
  const out = Buffer.from(ifd);
  const count = ifd.readUInt16BE(0);
  out.writeUInt16LE(count, 0);
  for (let i = 0; i < count; i++) {
    const at = 2 + i * 12;
    const type = ifd.readUInt16BE(at + 2);
    const values = ifd.readUInt32BE(at + 4);
    out.writeUInt16LE(ifd.readUInt16BE(at), at);
    out.writeUInt16LE(type, at + 2);
    out.writeUInt32LE(values, at + 4);
    const word = { 3: 2, 4: 4, 5: 4 }[type] ?? 1;
    const bytes = values * ({ 3: 2, 4: 4, 5: 8 }[type] ?? 1);
    const from = bytes <= 4 ? at + 8 : ifd.readUInt32BE(at + 8) - start;
    if (bytes > 4) out.writeUInt32LE(from + start, at + 8);
    for (let byte = from; byte < from + bytes; byte += word) {
      if (word === 2) out.writeUInt16LE(ifd.readUInt16BE(byte), byte);
      else if (word === 4) out.writeUInt32LE(ifd.readUInt32BE(byte), byte);
    }
  }
  return out;
}
