/** A process that lays jobs out, so that the server answers meanwhile. */
import { serve } from "../processes/child.ts";
import { planCard, planLook, planRun } from "./planning.ts";
import type { Planned, PlanLook, PlanRun } from "./task.ts";

serve({
  run: async (asked: PlanRun) => planRun(asked),
  look: async (asked: PlanLook) => planLook(asked),
  card: async (asked: Planned) => planCard(asked),
});
