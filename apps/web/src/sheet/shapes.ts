import type { CellPlan, Rect } from "@wide-quilt/core";

type Tilted = Pick<CellPlan, "finished" | "angle">;

/** Turns what follows about the middle of a tilted cell; nothing for one that stands straight. */
export const tilt = ({ angle, finished }: Tilted): string => turn(angle, finished);

/** Turns what follows about the middle of a rectangle. */
export const turn = (degrees: number, { x, y, width, height }: Rect): string =>
  degrees === 0 ? "" : `rotate(${degrees} ${x + width / 2} ${y + height / 2}) `;
