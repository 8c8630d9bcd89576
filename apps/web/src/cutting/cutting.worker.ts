/** The thread that works the cuts of a sheet out. */
import { cutPlanOf, type CutPlan } from "@wide-quilt/core";
import type { CuttingTask } from "./cutting.ts";

addEventListener("message", ({ data: { sheet, whole } }: MessageEvent<CuttingTask>) =>
  postMessage(cutPlanOf(sheet, whole) satisfies CutPlan),
);
