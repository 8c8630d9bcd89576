import { execFileSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp, { type Sharp } from "sharp";

/** A folder of its own for one test file. */
export const testFolder = (): string => mkdtempSync(join(tmpdir(), "wide-quilt-painters-"));

/** Runs a measuring tool that is not ours and gives back what it printed. */
export const measure = (tool: string, ...args: string[]): string =>
  execFileSync(tool, args, { encoding: "utf8", maxBuffer: 1e8 });

/** Four quarters of flat colour, so that any turn or mirroring shows: red, green / blue, yellow. */
export function quarters(width: number, height: number): Sharp {
  const [w, h] = [Math.floor(width / 2), Math.floor(height / 2)];
  const flat = (background: string, left: number, top: number) => ({
    input: { create: { width: w, height: h, channels: 3 as const, background } },
    left,
    top,
  });
  return sharp({ create: { width, height, channels: 3, background: "#ffff00" } }).composite([
    flat("#ff0000", 0, 0),
    flat("#00ff00", width - w, 0),
    flat("#0000ff", 0, height - h),
  ]);
}

/** A photo with no two places alike: noise over a slope. The file’s name says its format. */
export async function noise(path: string, width: number, height: number, seed: number): Promise<void> {
  const data = Buffer.alloc(width * height * 3);
  for (let i = 0; i < data.length; i++) {
    seed = (seed * 1103515245 + 12345) & 0x7fffffff;
    data[i] = ((((i / 3) % width) / width) * 160 + ((seed >> 16) % 90)) | 0;
  }
  const image = sharp(data, { raw: { width, height, channels: 3 } });
  await (path.endsWith(".png") ? image.png() : image.jpeg({ quality: 95 })).toFile(path);
}
