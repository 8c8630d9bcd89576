import { bottom, right, type Rect, type Size } from "../../base/geometry/index.ts";
import { nearest, um } from "../../base/length/index.ts";

/** Where a block of pieces lies between the margins. */
export type BlockPlace = "centred" | "top left" | "top";

/**
 * Moves pieces that lie from the corner of an area to where their block belongs on the sheet.
 *
 *     margin │ left over │ piece │ gap │ piece │ left over │ margin       left over halved when centred
 */
export function placedBlock<P extends Rect>(pieces: readonly P[], area: Rect, place: BlockPlace): P[] {
  const block: Size = {
    width: um(Math.max(0, ...pieces.map(right))),
    height: um(Math.max(0, ...pieces.map(bottom))),
  };
  const left = place === "top left" ? 0 : nearest((area.width - block.width) / 2);
  const top = place === "centred" ? nearest((area.height - block.height) / 2) : 0;
  return pieces.map((piece) => ({
    ...piece,
    x: um(area.x + left + piece.x),
    y: um(area.y + top + piece.y),
  }));
}
