import type { Job } from "../job/index.ts";
import { layOut, type Layout } from "../kinds/index.ts";
import type { Photos } from "../photo/record/index.ts";
import { buildPlan } from "./build.ts";
import type { SheetPlan } from "./types.ts";

/**
 * Sets a job out on sheets. Pure: the same job and photos always give the same plan, on the screen, on the server
 * and in the shell. The layout can be given where it is known already.
 *
 *     const [sheet] = arrange(job, { "3fa9…": { width: 4000, height: 6000 } });
 *     sheet.cells[0].finished   // { x: 3200, y: 4800, width: 35000, height: 45000 } in µm
 */
export const arrange = (job: Job, photos: Photos, layout: Layout = layOut(job, photos)): SheetPlan[] =>
  buildPlan(job, photos, layout);
