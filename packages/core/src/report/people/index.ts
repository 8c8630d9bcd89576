export { MOST_SLANT, sayFigure } from "./geometry.ts";
export { CHECKS, type CheckName, type PersonCheck } from "./personCheck.ts";
export * from "./report.ts";
export * from "./digital.ts";
