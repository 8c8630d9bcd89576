import { MAKER, type FileAbout } from "./about.ts";
import { directory, ratio, type Field } from "./ifd.ts";

/** The fields of a picture's first directory that are about its density and its maker (Exif 2.32, 4.6.4). */
export function mainFields({ title, creator, copyright, date }: FileAbout, ppi: number): Field[] {
  const text = (tag: number, value: string): Field[] => (value === "" ? [] : [{ tag, ascii: value }]);
  return [
    ...text(0x010e, title),
    { tag: 0x011a, rational: [ratio(ppi)] },
    { tag: 0x011b, rational: [ratio(ppi)] },
    { tag: 0x0128, short: [2] },
    { tag: 0x0131, ascii: MAKER },
    { tag: 0x0132, ascii: dateTime(date) },
    ...text(0x013b, creator),
    ...text(0x8298, copyright),
  ];
}

/** "2026:11:25 18:19:00", in UTC: the same run is the same file wherever it is made. */
const dateTime = (date: Date): string =>
  date.toISOString().slice(0, 19).replaceAll("-", ":").replace("T", " ");

const HEAD = Buffer.from([0x4d, 0x4d, 0, 42, 0, 0, 0, 8]);
const GPS = 0x8825;

/** A block of EXIF as JPEG and PNG carry it, from its TIFF header on. */
export function exifBlock(about: FileAbout, ppi: number): Buffer {
  const fields = mainFields(about, ppi);
  if (!about.place) return Buffer.concat([HEAD, directory(fields, HEAD.length)]);
  // The place is a directory of its own, which lies behind the first.
  const length = directory([...fields, { tag: GPS, long: [0] }], HEAD.length).length;
  const behind = HEAD.length + length;
  return Buffer.concat([
    HEAD,
    directory([...fields, { tag: GPS, long: [behind] }], HEAD.length),
    directory(placeFields(about.place), behind),
  ]);
}

/** Exif 2.32, 4.6.6. */
function placeFields({ latitude, longitude }: NonNullable<FileAbout["place"]>): Field[] {
  const degrees = (value: number): [number, number][] => [
    [Math.round(Math.abs(value) * 1e7), 1e7],
    [0, 1],
    [0, 1],
  ];
  return [
    { tag: 0, bytes: Buffer.from([2, 3, 0, 0]), as: 1 },
    { tag: 1, ascii: latitude < 0 ? "S" : "N" },
    { tag: 2, rational: degrees(latitude) },
    { tag: 3, ascii: longitude < 0 ? "W" : "E" },
    { tag: 4, rational: degrees(longitude) },
  ];
}
