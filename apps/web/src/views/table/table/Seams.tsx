import { overlap, stripsOf, tilingsOf, um, type Job, type Rect, type SheetPlan } from "@wide-quilt/core";
import { useMemo } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { selectJob, selectPrinted } from "../../../table/sheets.ts";
import { aided, sheetTurned } from "../../../table/view.ts";

interface Props {
  sheet: SheetPlan;
  px(um: number): number;
}

/** Sheets that are smaller on the screen than this bear no letters, in CSS pixels. */
const LETTERED = 34;

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
  const tiles =
    tilings?.flatMap((tiling) =>
      tiling.tiles.flatMap((tile) => {
        const seen = overlap(tile.shows, tiling.piece.face);
        return seen ? [{ tiling, tile, seen }] : [];
      }),
    ) ?? [];
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
  const lettered = tiles.filter(({ seen }) => px(Math.min(seen.width, seen.height)) >= LETTERED);
  const strips = tiles.flatMap(({ tile, tiling }) =>
    stripsOf(tile, tiling)
      .filter(({ side }) => impose.tiles.joint === "butt" || side === "right" || side === "bottom")
      .flatMap(({ rect }) => overlap(rect, tiling.piece.face) ?? []),
  );
  return (
    <div className="pointer-events-none absolute inset-0">
      {strips.map((rect, i) => (
        <span key={i} aria-hidden className="absolute bg-accent/20" style={onPage(rect)} />
      ))}
      {impose.panels && (
        <Gaps
          page={onPage({ ...trim, x: um(0), y: um(0) })}
          faces={tilings!.map(({ piece }) => onPage(piece.face))}
        />
      )}
      {tiles.map(({ tile, seen }, i) => (
        <span
          key={tile.name}
          className={`absolute border-dashed border-white drop-shadow-[0_0_1px_rgb(0_0_0/.7)] ${tile.column > 0 ? "border-l" : ""} ${tile.row > 0 ? "border-t" : ""}`}
          style={onPage(seen)}
          data-tile={i}
        />
      ))}
      {lettered.map(({ tile, seen }) => {
        const { left, top } = onPage(seen);
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

interface Lies {
  left: number;
  top: number;
  width: number;
  height: number;
}

const around = ({ left, top, width, height }: Lies) => `M${left} ${top}h${width}v${height}h${-width}Z`;

/** What lies between panels is not seen on the wall: it is veiled. */
function Gaps({ page, faces }: { page: Lies; faces: readonly Lies[] }) {
  const path = faces.map(around);
  return (
    <svg aria-hidden className="absolute inset-0 h-full w-full overflow-visible">
      <path d={`${around(page)}${path.join("")}`} fillRule="evenodd" className="fill-table/85" />
      <path d={path.join("")} className="fill-none stroke-white" />
    </svg>
  );
}
