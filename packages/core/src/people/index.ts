export * from "./report.ts";
export * from "./outputFiles.ts";
