/** A process that paints: runs file by file, and single sheets to look at. */
import { serve, type Asked } from "../processes/child.ts";
import {
  artwork,
  digital,
  firstPage,
  paintLook,
  paintPart,
  prepare,
  release,
  weigh,
  type ArtworkTask,
  type DigitalTask,
} from "./paint.ts";
import { sheetsToWrite } from "./planning.ts";
import type { LookTask, OpenRun, PaintedPart, PaintPart, PrepareTask, WeighTask } from "./task.ts";
import type { SheetPlan } from "@wide-quilt/core";

/** The run that this process paints, with its plans. */
let open: { setup: OpenRun; sheets: SheetPlan[] } | null = null;

serve({
  open: async (setup: OpenRun): Promise<{ sheets: number }> => {
    const sheets = sheetsToWrite(setup);
    if (open?.setup.run !== setup.run) await release();
    open = { setup, sheets };
    return { sheets: sheets.length };
  },
  part: async (part: PaintPart, asked: Asked): Promise<PaintedPart> => {
    if (open?.setup.run !== part.run) throw new Error("This process does not know the run.");
    return paintPart(open.setup, open.sheets.slice(part.first, part.first + part.count), part, asked);
  },
  prepare: (task: PrepareTask) => prepare(task),
  look: (task: LookTask, asked: Asked) => paintLook(task, asked),
  page: (task: Parameters<typeof firstPage>[0]) => firstPage(task),
  artwork: (task: ArtworkTask) => artwork(task),
  weigh: (task: WeighTask, asked: Asked) => weigh(task, asked),
  digital: (task: DigitalTask) => digital(task),
});
