export * from "./report.ts";
