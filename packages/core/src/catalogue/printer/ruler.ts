import type { Um } from "../../base/length/index.ts";
import type { PrinterSetup } from "./schema.ts";

/** A printed scale and what a ruler says of it. */
export interface RulerMeasure {
  intended: Um;
  measured: Um;
}

/** More than this off is no scale error: the page was fitted to the paper, or a figure was mistyped. */
const MOST_OFF = 0.05;

export type ScaleError = { ok: true; scale: PrinterSetup["scale"] } | { ok: false; why: string };

/**
 * A printer's scale error from the two scales of a ruler sheet: printed length over intended length.
 *
 * 200 mm that measure 199 mm make 0.995; from then on 201.005 mm are written for every 200.
 */
export function scaleError(across: RulerMeasure, down: RulerMeasure): ScaleError {
  const scale = { across: across.measured / across.intended, down: down.measured / down.intended };
  const worst = Math.max(...Object.values(scale).map((one) => Math.abs(one - 1)));
  if (!(worst <= MOST_OFF)) {
    return {
      ok: false,
      why: `That is ${(worst * 100).toFixed(0)} % off, more than a printer gets wrong by itself. Check that the sheet was printed at 100 %, not fitted to the page, and measure again.`,
    };
  }
  return { ok: true, scale };
}
