import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import type { SheetPlan } from "@wide-quilt/core";
import { address } from "../../../api/client.ts";
import { useAppDispatch, useAppSelector } from "../../../app/store.ts";
import { SheetPicture } from "../../../sheet/SheetPicture.tsx";
import { selectCell, selectSheet } from "../../../table/sheets.ts";
import { cellSelected, fittedTo } from "../../../table/view.ts";
import { useWords } from "../../../words/words.ts";
import { button } from "../../../ui/button.ts";
import { PHOTO_FILES } from "../stash/drag.ts";
import { Cells } from "./Cells.tsx";
import { Dimensions } from "./Dimensions.tsx";
import { Ghost } from "./Ghost.tsx";
import { useWheel } from "./useWheel.ts";
import { useZoom } from "./zoom.ts";

/** Room around the sheet for its dimension lines, in CSS pixels. */
const ROOM = { left: 76, right: 48, top: 68, bottom: 52 };

/** The neutral table with one sheet on it. */
export function Table() {
  const sheet = useAppSelector(selectSheet);
  const table = useRef<HTMLElement>(null);
  const size = useSize(table);
  useFit(sheet, size);
  useWheel(table);
  const dispatch = useAppDispatch();
  const { scale } = useZoom();
  return (
    <section
      ref={table}
      aria-label="Table"
      className="relative min-h-0 overflow-auto bg-table"
      onPointerDown={(event) => {
        if (!(event.target as Element).closest("[data-cell], button, input")) dispatch(cellSelected(null));
      }}
    >
      {sheet ? (
        <SheetOnTable sheet={sheet} scale={scale} room={size} />
      ) : (
        <p className="flex h-full items-center justify-center px-8 text-center text-ink">
          Nothing fits on this sheet. The list at the right says what mends it.
        </p>
      )}
    </section>
  );
}

interface SheetProps {
  sheet: SheetPlan;
  scale: number;
  room: { width: number; height: number };
}

function SheetOnTable({ sheet, scale, room }: SheetProps) {
  const words = useWords(sheet.ppi);
  const cell = useAppSelector(selectCell);
  const isBare = useAppSelector((state) => state.openJob.job?.stash.length === 0);
  const px = (um: number) => (um / 1000) * scale;
  const width = px(sheet.paper.width);
  const height = px(sheet.paper.height);
  // The smallest preview that is sharp on this screen: a smaller one is painted faster while it is dragged.
  const preview = useCallback(
    (photo: string, um: number) => address.previewFor(photo, (um / 1000) * scale * window.devicePixelRatio),
    [scale],
  );
  const across = Math.max(room.width, width + ROOM.left + ROOM.right);
  const down = Math.max(room.height, height + ROOM.top + ROOM.bottom);
  const left = ROOM.left + (across - ROOM.left - ROOM.right - width) / 2;
  const top = ROOM.top + (down - ROOM.top - ROOM.bottom - height) / 2;
  return (
    <div className="relative" style={{ width: across, height: down }}>
      <div className="absolute shadow-[0_3px_14px_rgb(0_0_0/.28)]" style={{ left, top, width, height }}>
        <SheetPicture
          plan={sheet}
          photo={preview}
          softEdge={Math.round(1000 / scale / 3)}
          className="block h-full w-full"
          label={`Sheet ${sheet.number} of ${sheet.of}`}
        >
          {cell && <Ghost cell={cell} photo={preview} />}
        </SheetPicture>
        <Cells sheet={sheet} px={px} />
        {isBare && <FirstPhotos />}
        {cell && <Dimensions sheet={sheet} cell={cell} px={px} />}
      </div>
      <p
        className="measure absolute -translate-x-1/2 text-[12px] text-ink"
        style={{ left: left + width / 2, top: top + height + 14 }}
      >
        {words.size(sheet.paper)}
      </p>
    </div>
  );
}

/** What to do first, on the sheet of a job that has no photos yet. */
function FirstPhotos() {
  return (
    <div className="pointer-events-none absolute inset-0 flex items-center justify-center">
      <div className="pointer-events-auto flex flex-col items-center gap-3 rounded-xl bg-white px-8 py-6 text-center shadow-lg">
        <p className="text-[16px] font-semibold">Drop your photos anywhere here</p>
        <p className="text-[13px] text-ink-2">
          The first one goes into all cells. The ticket above says the rest.
        </p>
        <button
          type="button"
          className={button.main}
          onClick={() => document.getElementById(PHOTO_FILES)?.click()}
        >
          Choose photo files
        </button>
      </div>
    </div>
  );
}

/** The size of an element, followed. */
function useSize(of: React.RefObject<HTMLElement | null>) {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = of.current;
    if (!element) return;
    const measure = () => setSize({ width: element.clientWidth, height: element.clientHeight });
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, [of]);
  return size;
}

/** Keeps what “fit” means up to date with the window and the paper. */
function useFit(sheet: SheetPlan | undefined, { width, height }: { width: number; height: number }) {
  const dispatch = useAppDispatch();
  const paper = sheet?.paper;
  useEffect(() => {
    if (!paper || width === 0) return;
    const across = (width - ROOM.left - ROOM.right) / (paper.width / 1000);
    const down = (height - ROOM.top - ROOM.bottom) / (paper.height / 1000);
    dispatch(fittedTo(Math.max(0.1, Math.min(across, down))));
  }, [dispatch, paper?.width, paper?.height, width, height, paper]);
}
