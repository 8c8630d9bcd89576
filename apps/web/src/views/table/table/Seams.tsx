import { stripsOf, tilingOf, type Job, type Rect, type SheetPlan, type Tile } from "@wide-quilt/core";
import { useMemo } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { selectJob, selectPrinted } from "../../../table/sheets.ts";
import { aided, sheetTurned } from "../../../table/view.ts";

interface Props {
  sheet: SheetPlan;
  px(um: number): number;
}

/** Sheets that are smaller on the screen than this bear no letters, in CSS pixels. */
const LETTERED = 40;

/** Where the sheets of a page that is spread meet, and what of each the next one covers. */
export function Seams({ sheet, px }: Props) {
  const job = useAppSelector(selectJob);
  return job?.impose.way === "tiles" ? <Tiles job={job} sheet={sheet} px={px} /> : null;
}

function Tiles({ job, sheet, px }: Props & { job: Job }) {
  const dispatch = useAppDispatch();
  const printed = useAppSelector(selectPrinted);
  const { impose, target } = job;
  const { trim } = sheet;
  const tiling = useMemo(
    () => tilingOf(impose, { ...trim, bleed: target.bleed }, target.printer.unprintable),
    [impose, trim, target.bleed, target.printer.unprintable],
  );
  if (!tiling || tiling.tiles.length === 1) return null;
  const first = printed.findIndex(({ part }) => part?.page.id === sheet.id);
  const onPage = ({ x, y, width, height }: Rect) => ({
    left: px(x + trim.x),
    top: px(y + trim.y),
    width: px(width),
    height: px(height),
  });
  const show = (index: number) => {
    dispatch(sheetTurned(first + index + 1));
    dispatch(aided({ printed: true }));
  };
  const [one] = tiling.tiles as [Tile];
  const isLettered = px(Math.min(one.shows.width, one.shows.height)) >= LETTERED;
  const strips = tiling.tiles.flatMap((tile) =>
    stripsOf(tile, tiling).filter(
      ({ side }) => impose.tiles.joint === "butt" || side === "right" || side === "bottom",
    ),
  );
  return (
    <div className="pointer-events-none absolute inset-0">
      {strips.map(({ rect }, i) => (
        <span key={i} aria-hidden className="absolute bg-accent/20" style={onPage(rect)} />
      ))}
      {tiling.tiles.map((tile, i) => (
        <span
          key={tile.name}
          className={`absolute border-dashed border-white drop-shadow-[0_0_1px_rgb(0_0_0/.7)] ${tile.column > 0 ? "border-l" : ""} ${tile.row > 0 ? "border-t" : ""}`}
          style={onPage(tile.shows)}
          data-tile={i}
        />
      ))}
      {isLettered &&
        tiling.tiles.map((tile, i) => {
          const { left, top } = onPage(tile.shows);
          return (
            <button
              key={tile.name}
              type="button"
              title={`Sheet ${tile.name} as it is printed`}
              aria-label={`Sheet ${tile.name} as it is printed`}
              className="measure pointer-events-auto absolute min-h-6 min-w-7 rounded bg-white/85 px-1 text-[12px] font-semibold text-ink hover:bg-accent hover:text-white"
              style={{ left: left + 5, top: top + 5 }}
              onClick={() => show(i)}
            >
              {tile.name}
            </button>
          );
        })}
    </div>
  );
}
