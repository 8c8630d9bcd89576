import { kindOf, layOut, type Job, type TicketChange } from "@wide-quilt/core";
import { store } from "../../../../app/store.ts";

/**
 * A change of gap or border, with what was found of the layout held fast, where a search would give another one at every
 * step of a slider.
 */
export function keepingArrangement(job: Job, change: TicketChange): TicketChange {
  const { sums } = layOut(job, store.getState().openJob.photos);
  return { ...change, ...kindOf(job).held(job, sums) };
}
