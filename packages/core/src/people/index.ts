export * from "./report.ts";
export * from "./digital.ts";
