export { eventEntrySchema, type EventEntry } from "./entry.ts";
export {
  eventFigures,
  printsBefore,
  printsOut,
  sayWait,
  SPAN,
  type EventFigures,
  type EventSpan,
} from "./figures.ts";
export { jobOfSet, shotsOfPattern } from "./job.ts";
export { EVENT_LIMITS, eventSetupSchema, FOLDER_LANE, type EventSetup } from "./setup.ts";
export type { EventEffect, EventPrint, EventPrinter, EventSet, EventShot, EventState } from "./state.ts";
export { cameBefore, eventBefore, eventStep, openSetOf, printOf, setOf } from "./step.ts";
