export { mapSheet, paperOf } from "./map.ts";
export { keptOf } from "./told.ts";
