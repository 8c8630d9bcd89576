/** The Internet Printing Protocol: messages as bytes (RFC 8010), and what a client asks of a printer with them (RFC 8011). */
export * from "./message.ts";
export { decode, NoMessage } from "./decode.ts";
export { encode } from "./encode.ts";
export { PrinterClient, PrinterFault, type JobReport, type PrinterCan } from "./client.ts";
