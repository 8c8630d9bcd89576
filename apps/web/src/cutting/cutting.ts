import type { CutPlan, CutSheet } from "@wide-quilt/core";
import { newestOnly } from "../app/newestOnly.ts";

/** What the thread that works cuts out is asked. */
export interface CuttingTask {
  sheet: CutSheet;
  /** Whether only the finished sheet is cut out, not its cells. */
  whole: boolean;
  /** Pieces in a stack, at most. */
  most: number;
}

/** Has the cuts of a sheet worked out in a thread of its own: with hundreds of cells that takes longer than a frame. */
export const planCuts = newestOnly<CuttingTask, CutPlan>(
  () => new Worker(new URL("./cutting.worker.ts", import.meta.url), { type: "module" }),
);
