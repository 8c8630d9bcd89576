import { layOut, type Job, type TicketChange } from "@wide-quilt/core";
import { store } from "../../../../app/store.ts";

/**
 * A change of gap or border, with the arrangement of a collage held fast: it is fitted anew at once, where a search would
 * give another one at every step of a slider.
 */
export function keepingArrangement(job: Job, change: TicketChange): TicketChange {
  const { ticket } = job;
  if (ticket.kind !== "collage" || ticket.way !== "whole" || ticket.arrangement !== null) return change;
  const { arrangement } = layOut(job, store.getState().openJob.photos).sums;
  return arrangement === undefined ? change : { ...change, arrangement };
}
