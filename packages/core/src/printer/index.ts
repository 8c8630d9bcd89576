export { corrected, isTrue } from "./correct.ts";
export { forPrinter } from "./forPrinter.ts";
export { printerOfJob } from "./ofJob.ts";
export { PRINTERS } from "./printers.ts";
export { readPrinters } from "./read.ts";
export { PLAIN, printerSchema, type Printer, type PrintersFile, type PrinterSetup } from "./schema.ts";
export { scaleError, type RulerMeasure, type ScaleError } from "./ruler.ts";
