/**
 * Painters: they turn a sheet plan into a file and decide nothing about layout. `photo` and `graphic` read what comes in,
 * `pixels` paints JPEG and PNG, `pdf` and `svg` paint those, `file` writes what goes out whole or not at all.
 */
export * from "./photo/index.ts";
export * from "./progress.ts";
export { fileName, outputNames } from "./file/fileName.ts";
export { flush, temporaryBeside, UNFINISHED, writeForNow, writeWhole } from "./file/atomic.ts";
export { paintSheet } from "./pixels/paint.ts";
export { withinBytes } from "./pixels/withinBytes.ts";
export { encodeSheet, JPEG_SIDE, type PixelFormat } from "./pixels/encode.ts";
export type { SheetPixels } from "./pixels/canvas.ts";
export { paintSvg } from "./svg/paint.ts";
export { paintPdf, type PdfOptions } from "./pdf/paint.ts";
export { GRAPHIC_LIMITS, takeGraphic, type TakenGraphic } from "./graphic/take.ts";
export { isDrawn } from "./graphic/size.ts";
