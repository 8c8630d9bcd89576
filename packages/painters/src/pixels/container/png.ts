import { crc32, deflateSync } from "node:zlib";
import { exifBlock } from "../../about/exif.ts";
import { xmpPacket } from "../../about/xmp.ts";
import type { Attached } from "./attached.ts";

/** Behind the signature and IHDR, which is 25 bytes long with its head and check. */
const AFTER_HEADER = 8 + 25;
/** Chunks that the encoder may have written itself. */
const REPLACED = ["pHYs", "iCCP", "sRGB", "gAMA", "cHRM"];

/** A chunk: length, name, content, check (PNG 1.2, 3.2). */
function chunk(name: string, content: Buffer): Buffer {
  const named = Buffer.concat([Buffer.from(name, "latin1"), content]);
  const out = Buffer.alloc(named.length + 8);
  out.writeUInt32BE(content.length, 0);
  named.copy(out, 4);
  out.writeUInt32BE(crc32(named), named.length + 4);
  return out;
}

/** Pixels per metre (PNG 1.2, 4.2.4.2). */
function density(ppi: number): Buffer {
  const content = Buffer.alloc(9);
  const perMetre = Math.round((ppi * 10_000) / 254);
  content.writeUInt32BE(perMetre, 0);
  content.writeUInt32BE(perMetre, 4);
  content[8] = 1;
  return chunk("pHYs", content);
}

/** A bare PNG with density, profile, EXIF and XMP. */
export function intoPng(png: Buffer, { ppi, profile, about }: Attached): Buffer {
  const rest: Buffer[] = [];
  for (let at = AFTER_HEADER; at < png.length;) {
    const end = at + 12 + png.readUInt32BE(at);
    if (!REPLACED.includes(png.toString("latin1", at + 4, at + 8))) rest.push(png.subarray(at, end));
    at = end;
  }
  const icc =
    profile && chunk("iCCP", Buffer.concat([Buffer.from("profile\0\0", "latin1"), deflateSync(profile)]));
  const xmp = Buffer.concat([
    Buffer.from("XML:com.adobe.xmp\0\0\0\0\0", "latin1"),
    Buffer.from(xmpPacket(about)),
  ]);
  return Buffer.concat([
    png.subarray(0, AFTER_HEADER),
    ...(icc ? [icc] : []),
    density(ppi),
    chunk("eXIf", exifBlock(about, ppi)),
    chunk("iTXt", xmp),
    ...rest,
  ]);
}

/** The packed pixels of a PNG: its IDAT chunks in a row (PNG 1.2, 4.1.3). */
export function pixelData(png: Buffer): Buffer {
  const parts: Buffer[] = [];
  for (let at = AFTER_HEADER; at < png.length; at += 12 + png.readUInt32BE(at))
    if (png.toString("latin1", at + 4, at + 8) === "IDAT")
      parts.push(png.subarray(at + 8, at + 8 + png.readUInt32BE(at)));
  return Buffer.concat(parts);
}
