export type { BackgroundState } from "./background.ts";
export * from "./report.ts";
export * from "./digital.ts";
