import type { SheetPlan } from "./types.ts";

/** A sheet in no more pixels along its longer side than are wanted, for a look at it; its lengths stay as they are. */
export function coarse(plan: SheetPlan, side: number): SheetPlan {
  const { width, height } = plan.pixels;
  const scale = Math.min(1, side / Math.max(width, height));
  return {
    ...plan,
    ppi: plan.ppi * scale,
    pixels: { width: Math.round(width * scale), height: Math.round(height * scale) },
  };
}
