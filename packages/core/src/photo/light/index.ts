export { darkAndLight, LIGHT_PARTS, type DarkAndLight, type Light, type Part } from "./light.ts";
export { partUnder } from "./under.ts";
