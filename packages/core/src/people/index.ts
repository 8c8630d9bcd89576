export * from "./report.ts";
export * from "./outputFiles.ts";
export * from "./digital.ts";
