import { writeFile } from "node:fs/promises";
import sharp from "sharp";
import { encodeRaster, type RasterSpace } from "@wide-quilt/ipp";
import { writeWhole } from "@wide-quilt/painters";

/**
 * Turns a file of pixels into PWG raster in its place. Printers take raster pages as the paper goes in, upright: a sheet
 * that lies is turned back by a quarter.
 */
export async function makeRaster(path: string, ppi: number, space: RasterSpace): Promise<void> {
  const picture = sharp(path, { limitInputPixels: false, ignoreIcc: true });
  const { width, height } = await picture.metadata();
  const upright = width > height ? picture.rotate(270) : picture;
  const grey = space === "sgray_8";
  // The numbers go out as they were painted, which is for the profile that was chosen.
  const { data, info } = await (grey ? upright.grayscale() : upright)
    .flatten({ background: "#ffffff" })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const page = { width: info.width, height: info.height, space, ppi: Math.round(ppi), data };
  await writeWhole(path, (temporary) => writeFile(temporary, encodeRaster([page])));
}
