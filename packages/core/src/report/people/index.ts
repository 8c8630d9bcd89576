export type { CheckName, PersonCheck } from "./personCheck.ts";
export * from "./report.ts";
export * from "./digital.ts";
export { checksOf } from "./checksOf.ts";
