import { mm, um } from "../../base/length/index.ts";
import type { Tiles } from "./schema.ts";

/** How a page is spread where nothing else is said. */
export const GLUED: Tiles = {
  joint: "glue",
  overlap: mm(10),
  under: "pale",
  share: "rest",
  shift: { across: um(0), down: um(0) },
  letters: true,
};
