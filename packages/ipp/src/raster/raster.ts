import { coloursOf, HEADER, readHeader, writeHeader, type RasterPage } from "./header.ts";

/** “RaS2”: pages follow, their numbers with the highest byte first (PWG 5102.4-2012, 4.1). */
const SYNC = Buffer.from("RaS2", "latin1");

/** The most lines, and the most pixels, that one count covers. */
const MOST_LINES = 256;
const MOST_SAME = 128;
/** A count above this is of pixels that differ: 257 less the count. */
const REST_OF_LINE = 128;
const DIFFERENT = 257;
/** The most that a page may have when it is read: a large sheet at a high ppi. */
const MOST_PIXELS = 400e6;

/**
 * Pages as PWG raster (PWG 5102.4-2012), which printers take that know no JPEG and no PDF. Each line is preceded by how
 * often it is repeated; inside it, runs of one pixel alternate with pixels that differ.
 */
export function encodeRaster(pages: readonly RasterPage[]): Buffer {
  const parts: Buffer[] = [SYNC];
  for (const page of pages) {
    parts.push(writeHeader(page, pages.length));
    const colours = coloursOf(page.space);
    const bytes = page.width * colours;
    const line = (y: number) => page.data.subarray(y * bytes, (y + 1) * bytes);
    for (let y = 0; y < page.height;) {
      const own = line(y);
      let same = 1;
      while (same < MOST_LINES && y + same < page.height && Buffer.compare(own, line(y + same)) === 0) same++;
      parts.push(Buffer.from([same - 1]), packed(own, colours));
      y += same;
    }
  }
  return Buffer.concat(parts);
}

function packed(line: Uint8Array, colours: number): Buffer {
  const pixels = line.length / colours;
  // At worst a count for every 128 pixels, and all of them.
  const out = Buffer.alloc(line.length + Math.ceil(pixels / MOST_SAME));
  let end = 0;
  const equal = (a: number, b: number) => {
    for (let c = 0; c < colours; c++) if (line[a * colours + c] !== line[b * colours + c]) return false;
    return true;
  };
  for (let x = 0; x < pixels;) {
    const from = x++;
    if (x < pixels && equal(from, x)) {
      while (x < pixels && x - from < MOST_SAME && equal(from, x)) x++;
      out[end++] = x - from - 1;
      out.set(line.subarray(from * colours, (from + 1) * colours), end);
      end += colours;
    } else {
      while (x < pixels && x - from < MOST_SAME && (x + 1 >= pixels || !equal(x, x + 1))) x++;
      // A single pixel is a run of one: a count of 256 would not fit into a byte.
      out[end++] = x - from === 1 ? 0 : DIFFERENT - (x - from);
      out.set(line.subarray(from * colours, x * colours), end);
      end += (x - from) * colours;
    }
  }
  return out.subarray(0, end);
}

/** Reads pages back. Throws a RangeError where the bytes are no PWG raster, or end too early. */
export function decodeRaster(bytes: Buffer): RasterPage[] {
  if (!bytes.subarray(0, 4).equals(SYNC)) throw new RangeError("no PWG raster");
  const pages: RasterPage[] = [];
  let at = SYNC.length;
  while (at < bytes.length) {
    const head = readHeader(bytes.subarray(at, at + HEADER));
    at += HEADER;
    const { width, height, space } = head;
    if (width * height > MOST_PIXELS) throw new RangeError("a page larger than any printer’s");
    const colours = coloursOf(space);
    const stride = width * colours;
    const data = new Uint8Array(stride * height);
    for (let y = 0; y < height;) {
      const times = byteOf(bytes, at++) + 1;
      const line = data.subarray(y * stride, (y + 1) * stride);
      at = unpack(bytes, at, line, colours);
      for (let copy = 1; copy < times && y + copy < height; copy++) data.set(line, (y + copy) * stride);
      y += times;
    }
    pages.push({ ...head, data });
  }
  return pages;
}

/** Fills one line and says where the next one begins. */
function unpack(bytes: Buffer, from: number, line: Uint8Array, colours: number): number {
  let at = from;
  for (let end = 0; end < line.length;) {
    const count = byteOf(bytes, at++);
    if (count === REST_OF_LINE) {
      line.fill(0xff, end);
      return at;
    }
    const differs = count > REST_OF_LINE;
    const length = (differs ? DIFFERENT - count : count + 1) * colours;
    const read = differs ? length : colours;
    if (at + read > bytes.length || end + length > line.length)
      throw new RangeError("a line that does not end where it should");
    for (let i = 0; i < length; i++) line[end + i] = bytes[at + (i % read)]!;
    at += read;
    end += length;
  }
  return at;
}

function byteOf(bytes: Buffer, at: number): number {
  const byte = bytes[at];
  if (byte === undefined) throw new RangeError("the raster ends too early");
  return byte;
}
