import { exifBlock } from "../../about/exif.ts";
import { xmpPacket } from "../../about/xmp.ts";
import type { Attached } from "./attached.ts";

const START_OF_IMAGE = 2;
/** A segment holds 65 533 bytes beside its length; an ICC chunk loses 14 more to its head (ICC.1:2022, B.4). */
const MOST = 65_533;
const ICC_HEAD = 14;

/** A segment: marker, length, content (ITU-T T.81, B.1.1.4). */
function segment(marker: number, content: Buffer): Buffer {
  if (content.length > MOST) throw new Error("Too long for one segment of a JPEG.");
  const head = Buffer.alloc(4);
  head.writeUInt16BE(0xff00 | marker, 0);
  head.writeUInt16BE(content.length + 2, 2);
  return Buffer.concat([head, content]);
}

/** JFIF 1.02 with its density (ITU-T T.871, 10.1), where many printers and shops look and nowhere else. */
function jfif(ppi: number): Buffer {
  const density = Math.min(Math.max(Math.round(ppi), 1), 0xffff);
  const content = Buffer.from([0x4a, 0x46, 0x49, 0x46, 0, 1, 2, 1, 0, 0, 0, 0, 0, 0]);
  content.writeUInt16BE(density, 8);
  content.writeUInt16BE(density, 10);
  return segment(0xe0, content);
}

function profileSegments(profile: Buffer): Buffer[] {
  const room = MOST - ICC_HEAD;
  const count = Math.ceil(profile.length / room);
  return Array.from({ length: count }, (_, i) =>
    segment(
      0xe2,
      Buffer.concat([
        Buffer.from("ICC_PROFILE\0"),
        Buffer.from([i + 1, count]),
        profile.subarray(i * room, (i + 1) * room),
      ]),
    ),
  );
}

/** A bare JPEG with density, EXIF, XMP and profile. JFIF knows no CMYK (ITU-T T.871, 1), so one of four inks has none. */
export function intoJpeg(jpeg: Buffer, { ppi, profile, about }: Attached, cmyk: boolean): Buffer {
  if (jpeg.readUInt16BE(0) !== 0xffd8)
    throw new Error("Not a JPEG: it does not begin with its start marker.");
  return Buffer.concat([
    jpeg.subarray(0, START_OF_IMAGE),
    ...(cmyk ? [] : [jfif(ppi)]),
    segment(0xe1, Buffer.concat([Buffer.from("Exif\0\0"), exifBlock(about, ppi)])),
    segment(
      0xe1,
      Buffer.concat([Buffer.from("http://ns.adobe.com/xap/1.0/\0"), Buffer.from(xmpPacket(about))]),
    ),
    ...(profile ? profileSegments(profile) : []),
    jpeg.subarray(START_OF_IMAGE),
  ]);
}

/** Markers of segments that say who took a photo, where and with what: EXIF and XMP, and IPTC. */
const TELLING = new Set([0xe1, 0xed]);

/** A JPEG without what it says of its photographer and place; its picture stays byte for byte. */
export function withoutTelling(jpeg: Buffer): Buffer {
  const kept: Buffer[] = [jpeg.subarray(0, START_OF_IMAGE)];
  let at = START_OF_IMAGE;
  // Segments up to the start of scan; from there on everything is picture.
  while (at + 4 <= jpeg.length && jpeg[at] === 0xff && jpeg[at + 1] !== 0xda) {
    const end = at + 2 + jpeg.readUInt16BE(at + 2);
    if (!TELLING.has(jpeg[at + 1]!)) kept.push(jpeg.subarray(at, end));
    at = end;
  }
  return Buffer.concat([...kept, jpeg.subarray(at)]);
}

/** Whether a JPEG of four inks has an Adobe segment (ITU-T T.872, 6.5.3), whose writers count ink from full to none. */
export function isInverted(jpeg: Buffer): boolean {
  for (let at = START_OF_IMAGE; at + 9 <= jpeg.length && jpeg[at] === 0xff;) {
    const marker = jpeg[at + 1]!;
    if (marker === 0xda) return false;
    if (marker === 0xee && jpeg.toString("latin1", at + 4, at + 9) === "Adobe") return true;
    at += 2 + jpeg.readUInt16BE(at + 2);
  }
  return false;
}
