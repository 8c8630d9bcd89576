/**
 * A JPEG with a JFIF segment that states its density (JFIF 1.02; ITU-T T.871, 10.1). The encoder writes the density
 * to EXIF alone, and many printers and shops read only JFIF.
 */
export function withJfif(jpeg: Buffer, ppi: number): Buffer {
  const START_OF_IMAGE = 2;
  if (jpeg.readUInt16BE(0) !== 0xffd8)
    throw new Error("Not a JPEG: it does not begin with its start marker.");
  const density = Math.min(Math.max(Math.round(ppi), 1), 0xffff);
  const app0 = Buffer.from([0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1, 2, 1, 0, 0, 0, 0, 0, 0]);
  app0.writeUInt16BE(density, 12);
  app0.writeUInt16BE(density, 14);
  return Buffer.concat([jpeg.subarray(0, START_OF_IMAGE), app0, jpeg.subarray(START_OF_IMAGE)]);
}
