/** The thread that works the cuts of a sheet out. */
import { cutPlanOf, type CutPlan } from "@wide-quilt/core";
import type { CuttingTask } from "./cutting.ts";

addEventListener("message", ({ data: { sheet, whole, most } }: MessageEvent<CuttingTask>) =>
  postMessage(cutPlanOf(sheet, whole, most) satisfies CutPlan),
);
