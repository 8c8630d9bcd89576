import type { Printer, PrinterSetup } from "./schema.ts";

/** What a job keeps of a printer, so that the job stays as it is when the printer’s entry changes. */
export const printerOfJob = ({
  id,
  name,
  unprintable,
  mayLose,
  pixels,
  scale,
  price,
}: Printer): PrinterSetup => ({ id, name, unprintable, mayLose, pixels, scale, price });
