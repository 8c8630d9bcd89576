export { mapSheet, paperOf } from "./map.ts";
export { keptOf, takesOf, type Takes } from "./told.ts";
