export { check, toCheck } from "./check.ts";
export type { Finding, FindingLevel } from "./finding.ts";
export { SOFT_PPI } from "./rules/resolution.ts";
export { MUCH_LOSS } from "./rules/cropLoss.ts";
