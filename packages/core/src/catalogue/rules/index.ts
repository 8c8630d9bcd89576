export * from "./schema.ts";
export * from "./catalogue.ts";
