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

/** A photo of one flat colour. */
export async function flatPhoto(
  folder: string,
  name: string,
  colour: string,
  width = 900,
  height = 1200,
): Promise<string> {
  const path = join(folder, name);
  await sharp({ create: { width, height, channels: 3, background: colour } })
    .jpeg({ quality: 95, chromaSubsampling: "4:4:4" })
    .toFile(path);
  return path;
}

/** Where anything but white paper begins and ends along one row or column of a picture file, in pixels. */
export async function bands(path: string, along: "row" | "column", at: number): Promise<[number, number][]> {
  const { width, height } = await sharp(path).metadata();
  const line =
    along === "row"
      ? { left: 0, top: Math.round(at), width, height: 1 }
      : { left: Math.round(at), top: 0, width: 1, height };
  const { data, info } = await sharp(path)
    .extract(line)
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const length = Math.max(info.width, info.height);
  const found: [number, number][] = [];
  for (let i = 0; i < length; i++) {
    const white = Math.min(data[i * 3]!, data[i * 3 + 1]!, data[i * 3 + 2]!) > 245;
    if (white) continue;
    const last = found.at(-1);
    if (last && last[1] === i) last[1] = i + 1;
    else found.push([i, i + 1]);
  }
  return found;
}

/** How many pixels of a picture file are nearest to each of some colours; white paper is left out. */
export async function shares(path: string, colours: readonly string[]): Promise<number[]> {
  const { data } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const wanted = colours.map((c) => [1, 3, 5].map((at) => parseInt(c.slice(at, at + 2), 16)));
  const counts = colours.map(() => 0);
  for (let i = 0; i < data.length; i += 3) {
    if (data[i]! > 245 && data[i + 1]! > 245 && data[i + 2]! > 245) continue;
    let best = 0;
    let least = Infinity;
    wanted.forEach((colour, k) => {
      const far =
        Math.abs(data[i]! - colour[0]!) +
        Math.abs(data[i + 1]! - colour[1]!) +
        Math.abs(data[i + 2]! - colour[2]!);
      if (far < least) [best, least] = [k, far];
    });
    counts[best]!++;
  }
  return counts;
}

/** Photos of one colour each, 1200 × 900 px: the third of them is month-3.png. */
export const colouredPhotos = (folder: string, colours: readonly string[]): Promise<string[]> =>
  Promise.all(
    colours.map(async (background, i) => {
      const path = join(folder, `month-${i + 1}.png`);
      await sharp({ create: { width: 1200, height: 900, channels: 3, background } })
        .png()
        .toFile(path);
      return path;
    }),
  );
