import { stripsOf, tilingsOf, type Job, type Rect, type SheetPlan } from "@wide-quilt/core";
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
  const tilings = useMemo(
    () => tilingsOf(impose, { ...trim, bleed: target.bleed }, target.printer.unprintable),
    [impose, trim, target.bleed, target.printer.unprintable],
  );
  const tiles = tilings?.flatMap((tiling) => tiling.tiles.map((tile) => ({ tiling, tile }))) ?? [];
  if (tiles.length <= 1) return null;
  const onPage = ({ x, y, width, height }: Rect) => ({
    left: px(x + trim.x),
    top: px(y + trim.y),
    width: px(width),
    height: px(height),
  });
  const show = (name: string) => {
    const at = printed.findIndex(({ parts }) =>
      parts.some((part) => part.page.id === sheet.id && part.name === name),
    );
    dispatch(sheetTurned(at + 1));
    dispatch(aided({ printed: true }));
  };
  const isLettered = tiles.every(
    ({ tile: { shows } }) => px(Math.max(shows.width, shows.height)) >= LETTERED,
  );
  const strips = tiles.flatMap(({ tile, tiling }) =>
    stripsOf(tile, tiling).filter(
      ({ side }) => impose.tiles.joint === "butt" || side === "right" || side === "bottom",
    ),
  );
  return (
    <div className="pointer-events-none absolute inset-0">
      {strips.map(({ rect }, i) => (
        <span key={i} aria-hidden className="absolute bg-accent/20" style={onPage(rect)} />
      ))}
      {impose.panels && <Gaps faces={tilings!.map(({ piece }) => onPage(piece.face))} />}
      {tiles.map(({ tile }, i) => (
        <span
          key={tile.name}
          className={`absolute border-dashed border-white drop-shadow-[0_0_1px_rgb(0_0_0/.7)] ${tile.column > 0 ? "border-l" : ""} ${tile.row > 0 ? "border-t" : ""}`}
          style={onPage(tile.shows)}
          data-tile={i}
        />
      ))}
      {isLettered &&
        tiles.map(({ tile }) => {
          const { left, top } = onPage(tile.shows);
          return (
            <button
              key={tile.name}
              type="button"
              title={`Sheet ${tile.name} as it is printed`}
              aria-label={`Sheet ${tile.name} as it is printed`}
              className="measure pointer-events-auto absolute min-h-6 min-w-7 rounded bg-white/85 px-1 text-[12px] font-semibold text-ink hover:bg-accent hover:text-white"
              style={{ left: left + 5, top: top + 5 }}
              onClick={() => show(tile.name)}
            >
              {tile.name}
            </button>
          );
        })}
    </div>
  );
}

/** What lies between panels is not seen on the wall: it is veiled. */
function Gaps({ faces }: { faces: readonly { left: number; top: number; width: number; height: number }[] }) {
  const path = faces.map(({ left, top, width, height }) => `M${left} ${top}h${width}v${height}h${-width}Z`);
  return (
    <svg aria-hidden className="absolute inset-0 h-full w-full overflow-visible">
      <path
        d={`M-9999 -9999H9999V9999H-9999Z${path.join("")}`}
        fillRule="evenodd"
        className="fill-table/85"
      />
      <path d={path.join("")} className="fill-none stroke-white" />
    </svg>
  );
}
