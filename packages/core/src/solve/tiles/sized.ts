import type { Size } from "../../base/geometry/index.ts";
import { um, type Um } from "../../base/length/index.ts";
import type { Tiles } from "./schema.ts";
import type { Lying } from "./tiling.ts";

/**
 * The largest page that so many sheets make, every one of them full:
 *
 *     n · room − (n − 1) · joints − 2 · bleed
 *
 * Null where sheets have no room for their joints.
 */
export function sizeOf(
  { joint, overlap }: Pick<Tiles, "joint" | "overlap">,
  { columns, rows }: { columns: number; rows: number },
  { area }: Lying,
  bleed: Um,
): Size | null {
  const joints = joint === "butt" ? 2 * overlap : overlap;
  const side = (count: number, room: number) => count * room - (count - 1) * joints - 2 * bleed;
  const [width, height] = [side(columns, area.width), side(rows, area.height)];
  return width > 0 && height > 0 ? { width: um(width), height: um(height) } : null;
}
