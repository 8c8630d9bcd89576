/**
 * Painters: they turn a sheet plan into a file and decide nothing about layout. `photo` and `graphic` read what comes in,
 * `pixels` paints JPEG and PNG, `pdf` and `svg` paint those, `file` writes what goes out whole or not at all.
 */
export * from "./photo/index.ts";
export * from "./progress.ts";
export { paintFile, type FileSetup } from "./file/paintFile.ts";
export { fileName, outputNames } from "./file/fileName.ts";
export { flush, makeFolder, temporaryBeside, UNFINISHED, writeForNow, writeWhole } from "./file/atomic.ts";
export { paintSheet, type PaintSetup } from "./pixels/paint.ts";
export { KeptPhotos } from "./pixels/kept.ts";
export { encodeSheet, JPEG_SIDE, jpegSizes, NotEncoded, type PixelFormat } from "./pixels/encode.ts";
export { coverage } from "./pixels/coverage.ts";
export { paintSpace, type OutputColour, type PaintSpace } from "./colour/space.ts";
export { UNTITLED, type FileAbout } from "./about/about.ts";
export { StoredPhotos } from "./pixels/stored.ts";
export type { SheetPixels } from "./pixels/canvas.ts";
export { paintSvg, type SvgOptions } from "./svg/paint.ts";
export { paintPdf, type PdfOptions } from "./pdf/paint.ts";
export { GRAPHIC_LIMITS, takeGraphic, type TakenGraphic } from "./graphic/take.ts";
export { paintReport, type Report, type ReportPaper } from "./report/report.ts";
export { isDrawn } from "./graphic/size.ts";
export { widened, windowsIn, type ArtFound } from "./graphic/windows.ts";
export { paintArtwork } from "./pixels/artwork.ts";
