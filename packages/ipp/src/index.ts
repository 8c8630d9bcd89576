/** The Internet Printing Protocol: messages as bytes (RFC 8010), and what a client asks of a printer with them (RFC 8011). */
export * from "./message.ts";
export { decode, NoMessage } from "./decode.ts";
export { encode } from "./encode.ts";
export * from "./can.ts";
export * from "./trouble.ts";
export {
  JobForgotten,
  PrinterAway,
  PrinterClient,
  PrinterFault,
  PrinterSilent,
  type JobReport,
} from "./client.ts";
export { decodeRaster, encodeRaster } from "./raster/raster.ts";
export type { RasterPage, RasterSpace } from "./raster/header.ts";
