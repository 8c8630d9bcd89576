export { cutPlanOf, type CutSheet } from "./ofSheet.ts";
