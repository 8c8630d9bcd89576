import type { Job } from "../../job/index.ts";
import type { LayoutSums } from "../kind.ts";
import { layOutCopies } from "./layout.ts";

export function sumsOfCopies(job: Job): LayoutSums {
  const { fit, block, pieces, sheets } = layOutCopies(job);
  return {
    columns: sheets === 0 ? 0 : block.columns,
    rows: sheets === 0 ? 0 : block.rows,
    perSheet: Math.min(fit.count, pieces),
    pieces,
    mostPerSheet: fit.count,
  };
}
