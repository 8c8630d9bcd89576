import { PDFiumLibrary } from "@hyzyla/pdfium";
import { decodeRaster, DOCUMENTS } from "@wide-quilt/ipp";
import sharp, { type Sharp } from "sharp";

/** A page of what was sent, as pixels. */
export interface PagePicture {
  picture: Sharp;
  width: number;
  height: number;
  /** Its pixels per inch: how large it means to be. */
  ppi: number;
}

const POINTS_PER_INCH = 72;

/** The pages of a document; those of a PDF as they look at a printer’s resolution. */
export async function pagesOf(document: Buffer, format: string, ppi: number): Promise<PagePicture[]> {
  if (format === DOCUMENTS.pdf) return pdfPages(document, ppi);
  if (format === DOCUMENTS.raster) {
    return decodeRaster(document).map(({ width, height, data, space, ppi: own }) => ({
      picture: sharp(data, { raw: { width, height, channels: space === "sgray_8" ? 1 : 3 } }).toColourspace(
        "srgb",
      ),
      width,
      height,
      ppi: own,
    }));
  }
  const { width, height, density } = await sharp(document).metadata();
  return [{ picture: sharp(document), width, height, ppi: density ?? POINTS_PER_INCH }];
}

async function pdfPages(document: Buffer, ppi: number): Promise<PagePicture[]> {
  const library = await PDFiumLibrary.init();
  try {
    const pdf = await library.loadDocument(document);
    const pages: PagePicture[] = [];
    for (const page of pdf.pages()) {
      const { originalWidth, originalHeight } = page.getOriginalSize();
      const px = (points: number) => Math.round((points * ppi) / POINTS_PER_INCH);
      const size = { width: px(originalWidth), height: px(originalHeight) };
      const { data } = await page.render({
        ...size,
        render: ({ data: rgba }) => Promise.resolve(rgba),
      });
      pages.push({ picture: sharp(data, { raw: { ...size, channels: 4 } }), ...size, ppi });
    }
    pdf.destroy();
    return pages;
  } finally {
    library.destroy();
  }
}
