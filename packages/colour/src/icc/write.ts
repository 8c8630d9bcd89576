import { descTag, fixed, textTag, xyzTag } from "./tags.ts";

export interface ProfileParts {
  /** A display ("mntr") or a printer ("prtr"). */
  of: "mntr" | "prtr";
  space: "RGB " | "CMYK";
  /** What its tables lead to. */
  pcs: "XYZ " | "Lab ";
  name: string;
  /** White of the medium under D50, Y = 1 for a perfect white. */
  white: readonly [number, number, number];
  /** By signature; the same bytes given twice are stored once. */
  tags: Readonly<Record<string, Buffer>>;
}

/** The profile connection space's white, D50 (ICC.1:2001-04, A.1). */
export const D50 = [0.9642, 1, 0.8249] as const;

const COPYRIGHT = "No copyright: made by Wide Quilt, CC0-1.0";
const HEADER = 128;

/** The bytes of an ICC profile of version 2.4 (ICC.1:2001-04, clause 6). The same parts give the same bytes. */
export function writeProfile({ of, space, pcs, name, white, tags }: ProfileParts): Buffer {
  const all = Object.entries({
    desc: descTag(name),
    cprt: textTag(COPYRIGHT),
    wtpt: xyzTag(...white),
    ...tags,
  });
  const table = Buffer.alloc(4 + all.length * 12);
  table.writeUInt32BE(all.length);
  const stored = new Map<Buffer, number>();
  const body: Buffer[] = [];
  let end = HEADER + table.length;
  all.forEach(([signature, bytes], i) => {
    let at = stored.get(bytes);
    if (at === undefined) {
      at = end;
      stored.set(bytes, at);
      const padded = Buffer.concat([bytes, Buffer.alloc((4 - (bytes.length % 4)) % 4)]);
      body.push(padded);
      end += padded.length;
    }
    table.write(signature, 4 + i * 12, "latin1");
    table.writeUInt32BE(at, 8 + i * 12);
    table.writeUInt32BE(bytes.length, 12 + i * 12);
  });
  const header = Buffer.alloc(HEADER);
  header.writeUInt32BE(end, 0);
  header.writeUInt32BE(0x02400000, 8);
  header.write(`${of}${space}${pcs}`, 12, "latin1");
  // A date is asked for; a fixed one keeps the same profile the same file.
  [2026, 1, 1, 0, 0, 0].forEach((part, i) => header.writeUInt16BE(part, 24 + i * 2));
  header.write("acsp", 36, "latin1");
  fixed(...D50).copy(header, 68);
  return Buffer.concat([header, table, ...body]);
}
