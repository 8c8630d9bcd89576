/** Files that are not what they say, or that ask too much of whoever reads them; the same ones each time. */
import { deflateSync } from "node:zlib";
import sharp from "sharp";
import { chance } from "@wide-quilt/core";
import { builtInProfile } from "@wide-quilt/colour";

export interface HostileFile {
  /** What it is called, and what is wrong with it. */
  name: string;
  data: Buffer;
}

const SVG = 'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"';
const svg = (inside: string, more = 'width="100" height="100"'): Buffer =>
  Buffer.from(`<svg ${SVG} ${more}>${inside}</svg>`);

/** Files that are each made for one weakness. */
async function made(): Promise<HostileFile[]> {
  const flat = sharp({ create: { width: 64, height: 64, channels: 3, background: "#336699" } });
  const png = await flat.clone().png().toBuffer();
  const nested = (depth: number) =>
    "<g>".repeat(depth) + '<rect width="9" height="9"/>' + "</g>".repeat(depth);
  const doubled = (levels: number) =>
    Array.from({ length: levels }, (_, i) =>
      i === 0
        ? '<g id="u0"><rect width="1" height="1"/></g>'
        : `<g id="u${i}"><use href="#u${i - 1}"/><use href="#u${i - 1}" x="1"/></g>`,
    ).join("") + `<use href="#u${levels - 1}"/>`;
  const markers = (levels: number) =>
    Array.from(
      { length: levels },
      (_, i) =>
        `<marker id="m${i}" markerWidth="9" markerHeight="9"><path d="M0 0L1 1L2 2L3 3" ${i > 0 ? `marker-mid="url(#m${i - 1})"` : ""} stroke="#000"/></marker>`,
    ).join("") + `<path d="M0 0L9 9L20 2L50 50" marker-mid="url(#m${levels - 1})" stroke="#000"/>`;
  const patterns = (levels: number) =>
    Array.from(
      { length: levels },
      (_, i) =>
        `<pattern id="p${i}" width="2" height="2" patternUnits="userSpaceOnUse"><rect width="2" height="2" fill="${i > 0 ? `url(#p${i - 1})` : "#000"}"/></pattern>`,
    ).join("") + `<rect width="100" height="100" fill="url(#p${levels - 1})"/>`;
  const filters = `<filter id="f" x="-9" y="-9" width="99" height="99">${'<feGaussianBlur stdDeviation="900"/>'.repeat(60)}</filter><rect width="90" height="90" filter="url(#f)"/>`;
  return [
    { name: "doctype that backtracks.svg", data: Buffer.from(`<!DOCTYPE ${"[]".repeat(36)}`) },
    {
      name: "doctype that backtracks, with a drawing.svg",
      data: Buffer.from(`<!DOCTYPE ${"[]".repeat(40)}<svg/>`),
    },
    {
      name: "entities.svg",
      data: Buffer.from(
        `<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;&a;&a;">]><svg ${SVG} width="9" height="9"><text>&b;</text></svg>`,
      ),
    },
    {
      name: "entity from the disk.svg",
      data: Buffer.from(
        `<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]><svg ${SVG} width="9" height="9"><text>&a;</text></svg>`,
      ),
    },
    {
      name: "many attributes.svg",
      data: svg(
        `<rect ${Array.from({ length: 60_000 }, (_, i) => `a${i}="1"`).join(" ")} width="9" height="9"/>`,
      ),
    },
    {
      name: "many rules.svg",
      data: svg(
        `<style>${".a .b .c .d > .e ~ .f { fill: red }".repeat(9000)}</style><g class="a"><rect class="f" width="9" height="9"/></g>`,
      ),
    },
    {
      name: "rules and elements.svg",
      data: svg(
        `<style>${Array.from({ length: 3000 }, (_, i) => `.a${i} * * { fill: red }`).join("")}</style>${'<g class="a1"><rect width="9" height="9"/></g>'.repeat(3000)}`,
      ),
    },
    { name: "deep.svg", data: svg(nested(5000)) },
    { name: "deeper.svg", data: svg(nested(100_000)) },
    { name: "doubled twenty times.svg", data: svg(doubled(20)) },
    { name: "doubled sixty times.svg", data: svg(doubled(60)) },
    { name: "copy of itself.svg", data: svg('<g id="a"><use href="#a"/><rect width="9" height="9"/></g>') },
    { name: "nested markers.svg", data: svg(markers(14)) },
    { name: "nested patterns.svg", data: svg(patterns(24)) },
    {
      name: "pattern of itself.svg",
      data: svg(
        '<pattern id="p" width="2" height="2" patternUnits="userSpaceOnUse"><rect width="2" height="2" fill="url(#p)"/></pattern><rect width="90" height="90" fill="url(#p)"/>',
      ),
    },
    {
      name: "mask of itself.svg",
      data: svg(
        '<mask id="m"><rect width="90" height="90" mask="url(#m)"/></mask><rect width="90" height="90" mask="url(#m)"/>',
      ),
    },
    {
      name: "clip of itself.svg",
      data: svg(
        '<clipPath id="c" clip-path="url(#c)"><rect width="90" height="90"/></clipPath><rect width="90" height="90" clip-path="url(#c)"/>',
      ),
    },
    { name: "blurred sixty times.svg", data: svg(filters) },
    { name: "a long text.svg", data: svg(`<text y="50">${"word ".repeat(200_000)}</text>`) },
    {
      name: "a long text along a path.svg",
      data: svg(
        `<path id="p" d="M0 0L90 90"/><text><textPath href="#p">${"w".repeat(100_000)}</textPath></text>`,
      ),
    },
    {
      name: "a group that is nowhere.svg",
      data: svg('<g opacity="0.5"><text x="9" y="5000">away</text></g><rect width="9" height="9"/>'),
    },
    {
      name: "text out of its clip.svg",
      data: svg(
        '<clipPath id="c"><rect y="4000" width="9" height="9"/></clipPath><g clip-path="url(#c)"><text x="9" y="5000">away</text></g><rect width="9" height="9"/>',
      ),
    },
    { name: "endless size.svg", data: svg('<rect width="9" height="9"/>', 'width="1e30" height="1e30"') },
    { name: "no size.svg", data: svg('<rect width="9" height="9"/>', 'width="0" height="0"') },
    { name: "size of nothing.svg", data: svg('<rect width="9" height="9"/>', 'width="NaN" height="-5"') },
    { name: "a path of a million.svg", data: svg(`<path d="M0 0${"L1 1L2 3".repeat(500_000)}"/>`) },
    {
      name: "dashes without end.svg",
      data: svg('<path d="M0 0H1000000" stroke="#000" stroke-dasharray="0.0001 0.0001"/>'),
    },
    {
      name: "picture inside a picture.svg",
      data: svg(
        `<image width="9" height="9" href="data:image/svg+xml;base64,${svg(doubled(18)).toString("base64")}"/>`,
      ),
    },
    {
      name: "picture of nothing.svg",
      data: svg(
        '<image width="9" height="9" href="data:image/png;base64,AAAA"/><rect width="9" height="9"/>',
      ),
    },
    { name: "nul bytes.svg", data: Buffer.concat([svg("<rect/>"), Buffer.alloc(5000)]) },
    {
      name: "other letters.svg",
      data: Buffer.from(
        `\ufeff<svg ${SVG} width="9" height="9"><rect width="9" height="9"/></svg>`,
        "utf16le",
      ),
    },
    {
      name: "a script.svg",
      data: svg('<script>while(true);</script><rect width="9" height="9" onload="while(true);"/>'),
    },
    {
      name: "a bomb of a profile.png",
      data: withChunk(
        png,
        "iCCP",
        Buffer.concat([Buffer.from("p\0\0"), deflateSync(Buffer.alloc(400_000_000), { level: 1 })]),
      ),
    },
    {
      name: "a bomb of words.png",
      data: withChunk(
        png,
        "zTXt",
        Buffer.concat([Buffer.from("Comment\0\0"), deflateSync(Buffer.alloc(100_000_000), { level: 1 })]),
      ),
    },
    { name: "a picture of thirty thousand square.png", data: withHead(png, 30_000, 30_000) },
    { name: "a picture of two thousand million.png", data: withHead(png, 0x7fffffff, 0x7fffffff) },
    { name: "a picture of nothing.png", data: withHead(png, 0, 0) },
    { name: "__proto__", data: png },
    { name: "constructor.png", data: png },
    { name: "half a pair \ud83d.jpg", data: await flat.clone().jpeg().toBuffer() },
    { name: "../../../etc/passwd", data: png },
    { name: "a\0b.png", data: png },
    { name: `${"long".repeat(300)}.png`, data: png },
    { name: "nothing.jpg", data: Buffer.alloc(0) },
    { name: "a zip.jpg", data: Buffer.from("PK\x03\x04 and so on") },
    { name: "a pdf.jpg", data: Buffer.from("%PDF-1.7\n1 0 obj\n") },
    { name: "json.jpg", data: Buffer.from('{"format":"wide-quilt-job"}') },
  ];
}

/** A PNG with one more chunk before its picture (ISO/IEC 15948, 5.3). */
function withChunk(png: Buffer, type: string, data: Buffer): Buffer {
  const after = 8 + 25;
  return Buffer.concat([png.subarray(0, after), chunk(type, data), png.subarray(after)]);
}

/** A PNG that says it has another size. */
function withHead(png: Buffer, width: number, height: number): Buffer {
  const head = Buffer.from(png.subarray(16, 29));
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  return Buffer.concat([png.subarray(0, 8), chunk("IHDR", head), png.subarray(33)]);
}

function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, "latin1"), data]);
  const [length, crc] = [Buffer.alloc(4), Buffer.alloc(4)];
  length.writeUInt32BE(data.length);
  crc.writeUInt32BE(crc32(body));
  return Buffer.concat([length, body, crc]);
}

/** ISO/IEC 15948, annex D. */
function crc32(bytes: Buffer): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}

/** Right files of every kind that is read, to be spoiled. */
async function seeds(): Promise<HostileFile[]> {
  const noise = { type: "gaussian", mean: 128, sigma: 40 } as const;
  const picture = sharp({ create: { width: 160, height: 120, channels: 3, background: "#888", noise } });
  const withAll = picture.clone().withExif({ IFD0: { Artist: "Somebody", Copyright: "x".repeat(900) } });
  return [
    { name: "seed.jpg", data: await withAll.clone().withIccProfile("p3").jpeg().toBuffer() },
    { name: "seed-progressive.jpg", data: await withAll.clone().jpeg({ progressive: true }).toBuffer() },
    { name: "seed.png", data: await withAll.clone().png().toBuffer() },
    { name: "seed.webp", data: await withAll.clone().webp().toBuffer() },
    { name: "seed.tif", data: await withAll.clone().tiff({ compression: "lzw" }).toBuffer() },
    { name: "seed.avif", data: await withAll.clone().avif({ effort: 0 }).toBuffer() },
    {
      name: "seed.svg",
      data: svg(
        '<style>.a{fill:#f00}</style><defs><linearGradient id="g"><stop offset="0"/></linearGradient></defs><g class="a" transform="rotate(9)"><rect width="50" height="50" fill="url(#g)"/><text x="9" y="9">words</text></g>',
      ),
    },
    { name: "seed.icc", data: builtInProfile("oprgb")! },
  ];
}

/** Ways to spoil a file: cut off, bytes changed, parts repeated, other heads. */
function spoiled({ name, data }: HostileFile, next: () => number, n: number): HostileFile {
  const at = Math.floor(next() * data.length);
  const [base, ending] = [name.slice(0, name.lastIndexOf(".")), name.slice(name.lastIndexOf("."))];
  const way = n % 6;
  const other = Buffer.from(data);
  switch (way) {
    case 0:
      return { name: `${base} cut off ${n}${ending}`, data: data.subarray(0, at) };
    case 1:
      for (let i = 0; i < 1 + n / 20; i++) other[Math.floor(next() * data.length)] = Math.floor(next() * 256);
      return { name: `${base} bytes changed ${n}${ending}`, data: other };
    case 2:
      // The head says most of what a reader then believes.
      for (let i = 0; i < 6; i++)
        other[Math.floor(next() * Math.min(200, data.length))] = next() < 0.5 ? 0xff : 0;
      return { name: `${base} head changed ${n}${ending}`, data: other };
    case 3:
      return {
        name: `${base} repeated ${n}${ending}`,
        data: Buffer.concat([data.subarray(0, at), data.subarray(0, at), data]),
      };
    case 4:
      if (at + 4 < data.length) other.writeUInt32BE(next() < 0.5 ? 0xffffffff : 0x7fffffff, at);
      return { name: `${base} length changed ${n}${ending}`, data: other };
    default:
      return {
        name: `${base} hole ${n}${ending}`,
        data: Buffer.concat([data.subarray(0, at), data.subarray(at + Math.floor(next() * 400))]),
      };
  }
}

/** A corpus of at least so many files: those made for a weakness, then right ones spoiled in many ways. */
export async function hostileFiles(count: number): Promise<HostileFile[]> {
  const files = await made();
  const good = await seeds();
  const next = chance(20_261_127);
  for (let n = 0; files.length < count; n++) files.push(spoiled(good[n % good.length]!, next, n));
  return files;
}
