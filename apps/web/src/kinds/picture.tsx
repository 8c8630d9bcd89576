import type { ComponentType } from "react";

export const PALE = "#dde1f2";
export const INK = "#34409c";

/** A cell of a little sheet of 78 × 52 at (9, 6): x, y, width, height. */
export type LittleCell = readonly [number, number, number, number];

/** Draws cells on a little sheet, the first one strongly. */
export const drawn =
  (cells: readonly LittleCell[]): ComponentType =>
  () =>
    cells.map(([x, y, width, height], i) => (
      <rect
        key={i}
        x={x}
        y={y}
        width={width}
        height={height}
        fill={i === 0 ? INK : PALE}
        stroke="#fff"
        strokeWidth="0.8"
      />
    ));
