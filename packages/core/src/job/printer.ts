import type { Printer } from "../printer/index.ts";
import type { SheetSetup } from "./schema.ts";

/** What a job keeps of a printer, so that the job stays as it is when the printer's entry changes. */
export const printerOfJob = ({ id, name, unprintable, mayLose, price }: Printer): SheetSetup["printer"] => ({
  id,
  name,
  unprintable,
  mayLose,
  price,
});
