export * from "./schema.ts";
