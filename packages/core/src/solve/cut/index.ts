export { cutPlan, type AtStop, type CutPlan, type CutStep } from "./plan.ts";
export { cutPlanCsv } from "./csv.ts";
export { nearestStraight } from "./nearest.ts";
export { piecesInStack, TRIMMER_RANGES, USUAL_TRIMMER, type Trimmer } from "./trimmer.ts";
