import { rectPath, type CellPlan } from "@wide-quilt/core";
import { memo } from "react";
import { tilt } from "./shapes.ts";

/** The borders and mats of cells; those of one colour that stand straight are one shape. */
export const Bands = memo(function Bands({ cells }: { cells: readonly CellPlan[] }) {
  if (cells.every(({ bands }) => bands.length === 0)) return null;
  // Bands of one cell touch but never overlap, so it does not matter which colour comes first.
  const straight = new Map<string, string[]>();
  for (const { bands, angle } of cells) {
    if (angle !== 0) continue;
    for (const band of bands) straight.set(band.colour, [...(straight.get(band.colour) ?? []), ring(band)]);
  }
  return (
    <g fillRule="evenodd">
      {[...straight].map(([colour, rings]) => (
        <path key={colour} fill={colour} d={rings.join("")} />
      ))}
      {cells.map(
        (cell) =>
          cell.angle !== 0 && (
            <g key={cell.key} transform={tilt(cell)}>
              {cell.bands.map((band, i) => (
                <path key={i} fill={band.colour} d={ring(band)} />
              ))}
            </g>
          ),
      )}
    </g>
  );
});

const ring = ({ outer, inner, outerCorner, innerCorner }: CellPlan["bands"][number]): string =>
  rectPath(outer, outerCorner) + rectPath(inner, innerCorner);
