import { mm, um } from "../../base/length/index.ts";
import { GLUED } from "../tiles/index.ts";
import type { Impose } from "./schema.ts";

/** How a job begins: a page is a sheet. The rest is what “several to a sheet” begins with. */
export const EACH_ITS_SHEET: Impose = {
  way: "one",
  paper: { name: "A4", width: mm(210), height: mm(297) },
  lie: "most",
  grid: null,
  mayTurn: true,
  gap: mm(4),
  margin: um(0),
  order: "repeat",
  backs: "upright",
  pdf: "sheets",
  marks: "corner ticks",
  tiles: GLUED,
  panels: null,
  roll: false,
  map: false,
};
