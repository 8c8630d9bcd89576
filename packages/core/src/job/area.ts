import { inset, type Rect, type Size } from "../base/geometry/index.ts";
import { nearest, um } from "../base/length/index.ts";
import type { SheetSetup } from "./schema.ts";

/**
 * The finished sheet on its paper as it lies: the paper itself, or a smaller piece in the middle of it.
 *
 *     ┌─────────────────┐ paper
 *     │   ┌─────────┐   │
 *     │   │ finished│   │
 *     │   └─────────┘   │
 *     └─────────────────┘
 */
export function finishedSheet({ trim }: Pick<SheetSetup, "trim">, paper: Size): Rect {
  if (!trim) return { x: um(0), y: um(0), width: paper.width, height: paper.height };
  return {
    x: nearest((paper.width - trim.width) / 2),
    y: nearest((paper.height - trim.height) / 2),
    ...trim,
  };
}

/** Inside the margins of the finished sheet; without width or height when margins or a too small paper leave none. */
export function layoutArea(sheet: SheetSetup, paper: Size): Rect {
  const finished = finishedSheet(sheet, paper);
  const fits = paper.width >= finished.width && paper.height >= finished.height;
  const area = inset(finished, sheet.margins);
  return {
    ...area,
    width: fits ? area.width : um(0),
    height: fits ? area.height : um(0),
  };
}
