export { printerOfJob } from "./ofJob.ts";
export { PRINTERS } from "./printers.ts";
export { readPrinters, withCurrency } from "./read.ts";
export {
  PLAIN,
  printerSchema,
  SHIPPED_CURRENCY,
  type Printer,
  type PrintersFile,
  type PrinterSetup,
} from "./schema.ts";
export { scaleError, type RulerMeasure, type ScaleError } from "./ruler.ts";
