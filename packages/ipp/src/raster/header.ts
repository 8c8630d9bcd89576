/** What the numbers of a pixel mean: sRGB, or the printer’s own red, green and blue, or grey. */
export type RasterSpace = "srgb_8" | "rgb_8" | "sgray_8";

/** A page of pixels as it is sent to a printer: rows from the top, channels one after the other, 8 bits each. */
export interface RasterPage {
  width: number;
  height: number;
  space: RasterSpace;
  /** Pixels per inch in both directions. */
  ppi: number;
  data: Uint8Array;
}

/** Bytes of a page’s header (PWG 5102.4-2012, 4.3). */
export const HEADER = 1796;

/** Where the header has what, in bytes; all numbers are unsigned, of 32 bits, the highest byte first. */
const AT = {
  mediaClass: 0,
  resolution: 276,
  copies: 340,
  pageSize: 352,
  width: 372,
  height: 376,
  bitsPerColour: 384,
  bitsPerPixel: 388,
  bytesPerLine: 392,
  colourOrder: 396,
  colourSpace: 400,
  colours: 420,
  pages: 452,
  crossFeed: 456,
  feed: 460,
  whiteForBleed: 480,
} as const;

/** Colour spaces by their number (PWG 5102.4-2012, table 8). */
const SPACES: Record<RasterSpace, { number: number; colours: number }> = {
  sgray_8: { number: 18, colours: 1 },
  srgb_8: { number: 19, colours: 3 },
  rgb_8: { number: 1, colours: 3 },
};

const POINTS_PER_INCH = 72;
const WHITE = 0xffffff;

export const coloursOf = (space: RasterSpace): number => SPACES[space].colours;

export function writeHeader({ width, height, space, ppi }: Omit<RasterPage, "data">, pages: number): Buffer {
  const header = Buffer.alloc(HEADER);
  const set = (at: number, ...values: number[]) =>
    values.forEach((value, i) => header.writeUInt32BE(value, at + 4 * i));
  const { number, colours } = SPACES[space];
  const points = (px: number) => Math.round((px * POINTS_PER_INCH) / ppi);
  header.write("PwgRaster", AT.mediaClass, "latin1");
  set(AT.resolution, ppi, ppi);
  set(AT.copies, 1);
  set(AT.pageSize, points(width), points(height));
  set(AT.width, width);
  set(AT.height, height);
  set(AT.bitsPerColour, 8);
  set(AT.bitsPerPixel, 8 * colours);
  set(AT.bytesPerLine, width * colours);
  set(AT.colourOrder, 0);
  set(AT.colourSpace, number);
  set(AT.colours, colours);
  set(AT.pages, pages);
  set(AT.crossFeed, 1);
  set(AT.feed, 1);
  set(AT.whiteForBleed, WHITE);
  return header;
}

/** Throws a RangeError where the page is of a kind that is not read here. */
export function readHeader(header: Buffer): Omit<RasterPage, "data"> {
  const get = (at: number) => header.readUInt32BE(at);
  const space = (Object.keys(SPACES) as RasterSpace[]).find(
    (one) => SPACES[one].number === get(AT.colourSpace),
  );
  const [width, height] = [get(AT.width), get(AT.height)];
  const isRead =
    space !== undefined &&
    get(AT.bitsPerColour) === 8 &&
    get(AT.colourOrder) === 0 &&
    get(AT.bytesPerLine) === width * coloursOf(space);
  if (!isRead) throw new RangeError("a raster page of a kind that is not read here");
  return { width, height, space, ppi: get(AT.resolution) };
}
