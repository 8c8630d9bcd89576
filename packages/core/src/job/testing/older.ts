import type { Job } from "../index.ts";

/** A job as version 7 wrote it: what is made and where it is made in one. */
export function asVersion7(job: Job): Record<string, unknown> {
  const { target, about, ...made } = job;
  const { printer, ppi, enlarged, bleed, ...press } = target;
  return {
    ...made,
    version: 7,
    sheet: { ...made.sheet, printer, ppi, enlarged, bleed },
    press: { ...press, about },
  };
}
