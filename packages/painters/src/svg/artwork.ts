import { Resvg } from "@resvg/resvg-js";
import sharp from "sharp";
import type { FontId, SheetPlan } from "@wide-quilt/core";
import { FONT_FILES } from "../fonts.ts";
import type { PhotoFiles } from "../photo/files.ts";
import { SvgPictures } from "./pictures.ts";

/** How pictures are put into a drawing that is made pixels of at once. */
const AS_THEY_ARE = { photoPpi: null, medium: "glossy", keepPlace: false, light: false } as const;

/**
 * What lies in front of a sheet’s photos, as a PNG of the sheet’s pixels and density: bare paper and windows are transparent,
 * so that other programs can use it as artwork.
 */
export async function paintArtwork(sheet: SheetPlan, files: PhotoFiles): Promise<Buffer> {
  const { paper, pixels, ppi, over } = sheet;
  const pictures = new SvgPictures(files, { ...AS_THEY_ARE, ppi, inks: "no inks" });
  const marks: string[] = [];
  for (const ink of over) marks.push(await pictures.ink(ink, null));
  const fonts = new Set(over.flatMap((ink): FontId[] => (ink.kind === "text" ? [ink.text.font] : [])));
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${pixels.width}" height="${pixels.height}" viewBox="0 0 ${paper.width} ${paper.height}" preserveAspectRatio="none"><defs>${pictures.defs.join("")}</defs>${marks.join("")}</svg>`;
  const image = new Resvg(svg, {
    font: { fontFiles: [...fonts].map((font) => FONT_FILES[font]()), loadSystemFonts: false },
  }).render();
  return sharp(image.asPng()).withDensity(ppi).png().toBuffer();
}
