import { join } from "node:path";
import sharp from "sharp";

/** Four quarters of flat colour, so that crop, turn and place can be read off the pixels. */
export const QUARTERS = {
  topLeft: "#c83232",
  topRight: "#32a03c",
  bottomLeft: "#3246c8",
  bottomRight: "#d2be28",
};

/** Writes a JPEG as a camera does: quarters of colour, EXIF, no profile. */
export async function cameraPhoto(
  folder: string,
  name: string,
  width = 3000,
  height = 4000,
): Promise<string> {
  const path = join(folder, name);
  const [w, h] = [Math.ceil(width / 2), Math.ceil(height / 2)];
  const flat = (background: string, left: number, top: number) => ({
    input: { create: { width: w, height: h, channels: 3 as const, background } },
    left,
    top,
  });
  await sharp({ create: { width, height, channels: 3, background: QUARTERS.bottomRight } })
    .composite([
      flat(QUARTERS.topLeft, 0, 0),
      flat(QUARTERS.topRight, width - w, 0),
      flat(QUARTERS.bottomLeft, 0, height - h),
    ])
    .removeAlpha()
    .withExif({
      IFD0: { Make: "Marram", Model: "Field body" },
      IFD2: { ExposureTime: "1/250", FNumber: "56/10" },
    })
    .jpeg({ quality: 95, chromaSubsampling: "4:4:4" })
    .toFile(path);
  return path;
}

/** The colour of one pixel of a picture file, three numbers. */
export async function pixel(path: string, left: number, top: number): Promise<number[]> {
  const data = await sharp(path).extract({ left, top, width: 1, height: 1 }).removeAlpha().raw().toBuffer();
  return [...data];
}

/** How far a colour is from "#rrggbb", the largest channel. */
export const off = (got: number[], wanted: string): number =>
  Math.max(...got.map((value, i) => Math.abs(value - parseInt(wanted.slice(1 + i * 2, 3 + i * 2), 16))));
