import type { Rect } from "../base/geometry/index.ts";
import { um } from "../base/length/index.ts";
import type { PixelSize, Sits } from "../photo/crop/index.ts";
import { headBox, type Box } from "../photo/heads/index.ts";
import { onPaper, type Face } from "../photo/portrait/index.ts";
import { onSheet, uprightPiece } from "./piece.ts";
import type { CellPlan } from "./types.ts";

type Piece = Pick<CellPlan, "finished" | "opening" | "cover" | "turn">;

/**
 * The boxes around heads where a cell shows them, in µm on its sheet before the cell is tilted. They may reach out of what is
 * seen, and out of the photo where that cuts a head.
 */
export function headsOn(cell: Piece, heads: readonly Face[], photo: PixelSize, sits: Sits): Rect[] {
  const { opening, cover } = uprightPiece(cell);
  const at = onPaper(photo, opening, cover, sits);
  return heads.map((head) => {
    const there = {
      ...head,
      crown: at(head.crown),
      chin: at(head.chin),
      ears: head.ears && earsAt(head.ears, at),
    };
    const { left, top, right, bottom } = headBox(there, { width: 1, height: 1 });
    const box: Box = {
      left: left + opening.x,
      top: top + opening.y,
      right: right + opening.x,
      bottom: bottom + opening.y,
    };
    return onSheet(rectFrom(box), cell);
  });
}

const earsAt = ({ left, right }: NonNullable<Face["ears"]>, at: ReturnType<typeof onPaper>) => ({
  left: at(left),
  right: at(right),
});

const rectFrom = ({ left, top, right, bottom }: Box): Rect => ({
  x: um(Math.round(left)),
  y: um(Math.round(top)),
  width: um(Math.round(right) - Math.round(left)),
  height: um(Math.round(bottom) - Math.round(top)),
});
