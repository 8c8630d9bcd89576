export { cutPlan, type AtStop, type CutPlan, type CutStep } from "./plan.ts";
export { cutPlanCsv } from "./csv.ts";
export { cutPlanOf, type CutSheet } from "./ofSheet.ts";
export { nearestStraight } from "./nearest.ts";
