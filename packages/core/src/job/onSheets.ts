import type { Size } from "../base/geometry/index.ts";
import { imposedPages, type Imposed } from "../solve/slots/index.ts";
import type { Job } from "./schema.ts";

/** Which finished pages of a job, given by their sizes, lie where on which sheets. */
export const pagesOnSheets = (
  { impose, sheet, target }: Pick<Job, "impose" | "sheet" | "target">,
  pages: readonly Size[],
): Imposed[] =>
  imposedPages(impose, pages, {
    facing: sheet.facing,
    unprintable: target.printer.unprintable,
    bleed: target.bleed,
  });
