import type { SheetPlan } from "@wide-quilt/core";
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState, type RefObject } from "react";
import { address } from "../../../api/client.ts";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { useLaterSelector } from "../../../app/later.ts";
import { manyCells, ManyPhotos } from "../../../sheet/ManyPhotos.tsx";
import { MarksPicture, SheetPicture } from "../../../sheet/SheetPicture.tsx";
import {
  selectCell,
  selectIsPrinted,
  selectPrintedSheet,
  selectSheet,
  selectSheets,
  selectToCheck,
} from "../../../table/sheets.ts";
import { cellSelected, fittedTo, sheetTurned } from "../../../table/view.ts";
import { useWords } from "../../../words/words.ts";
import { Aids } from "./Aids.tsx";
import { BareDropPanel } from "./BareDropPanel.tsx";
import { Cells, type BareDrop } from "./Cells.tsx";
import { Divider } from "./Divider.tsx";
import { Dimensions } from "./Dimensions.tsx";
import { FirstPhotos, FirstStep } from "./FirstStep.tsx";
import { Ghost } from "./Ghost.tsx";
import { HeadGuides } from "./HeadGuides.tsx";
import { Items } from "./Items.tsx";
import { Rulers } from "./Rulers.tsx";
import { Seams } from "./Seams.tsx";
import { Stick } from "./Stick.tsx";
import { facing } from "./pages.ts";
import { useKeptPoint, type TablePoint } from "./useKeptPoint.ts";
import { usePan } from "./usePan.ts";
import { useRoom, type TableRoom } from "./useRoom.ts";
import { useWheel } from "./useWheel.ts";
import { LEAST_ZOOM, useZoom } from "./zoom.ts";

/** Room around the sheet for its dimension lines, in CSS pixels. */
const ROOM = { left: 76, right: 48, top: 68, bottom: 52 };

/** The neutral table with one sheet on it, or two pages that face each other. */
export function Table() {
  const sheet = useAppSelector(selectSheet);
  const sheets = useAppSelector(selectSheets);
  const first = useAppSelector((state) => (state.view.pair && state.openJob.job?.sheet.facing) || null);
  const pages = useMemo(
    () => (sheet ? (first ? facing(sheets, sheet, first) : [sheet]) : []),
    [sheet, sheets, first],
  );
  const hasPhotos = useAppSelector(({ openJob: { job } }) => (job?.stash.length ?? 0) > 0);
  const toCheck = useLaterSelector(selectToCheck).length > 0;
  const table = useRef<HTMLElement>(null);
  const room = useRoom(table);
  const printed = useAppSelector((state) => (selectIsPrinted(state) ? selectPrintedSheet(state) : undefined));
  const shown = useMemo(() => (printed ? [printed] : pages), [printed, pages]);
  useFit(shown, room);
  const pointer = useRef<TablePoint | null>(null);
  const takePointer = useCallback(() => {
    const at = pointer.current;
    pointer.current = null;
    return at;
  }, []);
  useWheel(table, pointer);
  usePan(table);
  const dispatch = useAppDispatch();
  const { scale } = useZoom();
  return (
    <section
      ref={table}
      aria-label="Table"
      className="relative min-h-0 overflow-auto bg-table"
      onPointerDown={(event) => {
        const kept = "[data-cell], [data-handle], button, input, [role=dialog], [role=listbox]";
        if (!(event.target as Element).closest(kept)) dispatch(cellSelected(null));
      }}
    >
      {sheet ? (
        <Pages
          pages={shown}
          active={printed ? null : sheet}
          scale={scale}
          room={room}
          table={table}
          takePointer={takePointer}
        />
      ) : hasPhotos || toCheck ? (
        <p className="flex h-full items-center justify-center px-8 text-center text-ink">
          {toCheck
            ? "There is no sheet. The list at the right says why, and what mends it."
            : "There is no sheet yet: nothing in the ticket asks for one."}
        </p>
      ) : (
        <FirstPhotos />
      )}
    </section>
  );
}

interface PagesProps {
  pages: readonly SheetPlan[];
  /** The page that keys and the card are about; null for sheets that are only looked at. */
  active: SheetPlan | null;
  scale: number;
  room: TableRoom;
  table: RefObject<HTMLElement | null>;
  takePointer(): TablePoint | null;
}

/** So much of the sheet stays in the window however far it is moved, in CSS pixels. */
const STAYS = 80;

/**
 * The pages side by side, in the middle of the table while they fit; otherwise with so much table around them that each of
 * their points can be brought anywhere in the window.
 */
function Pages({ pages, active, scale, room, table, takePointer }: PagesProps) {
  const px = useCallback((um: number) => (um / 1000) * scale, [scale]);
  const fits = useAppSelector((state) => state.view.zoom === "fit");
  const { width, height } = spreadOf(pages);
  const free = (side: number) => (fits ? 0 : 2 * Math.max(0, side - STAYS));
  const across = Math.max(room.width, px(width) + ROOM.left + ROOM.right + free(room.width));
  const down = Math.max(room.height, px(height) + ROOM.top + ROOM.bottom + free(room.height));
  const top = ROOM.top + (down - ROOM.top - ROOM.bottom - px(height)) / 2;
  const first = room.left + ROOM.left + (across - ROOM.left - ROOM.right - px(width)) / 2;
  const lefts = pages.map(
    (_, i) => first + px(pages.slice(0, i).reduce((sum, { paper }) => sum + paper.width, 0)),
  );
  useKeptPoint(table, takePointer, { left: first, top, scale });
  return (
    <div className="relative" style={{ width: room.left + across, height: down }}>
      {pages.map((sheet, i) =>
        active ? (
          <SheetOnTable
            key={sheet.id}
            sheet={sheet}
            px={px}
            scale={scale}
            left={lefts[i]!}
            top={top}
            active={sheet.id === active.id}
          />
        ) : (
          <PrintedSheet key={sheet.id} sheet={sheet} px={px} scale={scale} left={lefts[i]!} top={top} />
        ),
      )}
      {pages.length === 2 && (
        <span
          aria-hidden
          className="pointer-events-none absolute w-8 -translate-x-1/2 bg-linear-to-r from-transparent via-black/15 to-transparent"
          style={{ left: lefts[1], top, height: px(height) }}
        />
      )}
    </div>
  );
}

const spreadOf = (pages: readonly SheetPlan[]) => ({
  width: pages.reduce((sum, { paper }) => sum + paper.width, 0),
  height: Math.max(0, ...pages.map(({ paper }) => paper.height)),
});

interface SheetProps {
  sheet: SheetPlan;
  px(um: number): number;
  scale: number;
  left: number;
  top: number;
  /** Whether it is the sheet that keys and the card are about. */
  active: boolean;
}

function SheetOnTable({ sheet, px, scale, left, top, active }: SheetProps) {
  const words = useWords(sheet.ppi);
  const dispatch = useAppDispatch();
  const chosen = useAppSelector(selectCell);
  const several = useAppSelector((state) => state.view.also.length > 0);
  const rulers = useAppSelector((state) => state.view.rulers);
  const [drop, setDrop] = useState<BareDrop | null>(null);
  const cell = active ? chosen : undefined;
  const width = px(sheet.paper.width);
  const height = px(sheet.paper.height);
  const preview = usePreview(scale);
  // A change is seen at once in the picture; what cells are chosen by follows a frame later, except in the hand.
  const later = useDeferredValue(sheet);
  const inHand = useAppSelector((state) => state.openJob.held !== null);
  const many = useMemo(() => manyCells(sheet, scale / 1000), [sheet, scale]);
  const [ready, setReady] = useState(false);
  const onReady = useCallback(() => setReady(true), []);
  if (!many && ready) setReady(false);
  return (
    <>
      <div
        className="absolute shadow-[0_3px_14px_rgb(0_0_0/.28)]"
        style={{ left, top, width, height }}
        onPointerDownCapture={() => !active && dispatch(sheetTurned(sheet.number))}
        onFocusCapture={() => !active && dispatch(sheetTurned(sheet.number))}
      >
        {many && (
          <ManyPhotos
            plan={sheet}
            cells={many}
            photo={preview}
            scale={scale / 1000}
            className="absolute inset-0 h-full w-full"
            onReady={onReady}
          />
        )}
        <SheetPicture
          plan={sheet}
          photo={preview}
          apart={ready ? many : null}
          softEdge={Math.round(1000 / scale / 3)}
          className="relative block h-full w-full"
          marksApart
          label={`Sheet ${sheet.number} of ${sheet.of}`}
        >
          {cell && <Ghost cell={cell} photo={preview} />}
        </SheetPicture>
        <MarksPicture plan={sheet} className="pointer-events-none absolute inset-0 h-full w-full" />
        <Aids sheet={sheet} px={px} />
        <Cells sheet={inHand ? sheet : later} px={px} onBare={setDrop} />
        <Items sheet={sheet} px={px} />
        <Divider sheet={sheet} px={px} />
        <Seams sheet={later} px={px} />
        <FirstStep empty={sheet.cells.length === 0} />
        {rulers && <Rulers sheet={sheet} px={px} />}
        {cell && !several && <HeadGuides cell={cell} px={px} />}
        {cell && !several && <Dimensions sheet={sheet} cell={cell} px={px} />}
        {active && <Stick sheet={sheet} px={px} />}
        {drop && <BareDropPanel sheet={sheet} drop={drop} px={px} onClose={() => setDrop(null)} />}
      </div>
      <p
        className={`measure absolute -translate-x-1/2 text-[12px] text-ink ${rulers ? "mt-3" : ""}`}
        style={{ left: left + width / 2, top: top + height + 14 }}
      >
        {words.size(sheet.paper)}
        {sheet.mayLose.left > 0 && <span className="text-ink-2">, the pale edge may be lost</span>}
      </p>
    </>
  );
}

/** A sheet as it is printed, several pages on it: to be looked at, since pages are changed as pages. */
function PrintedSheet({ sheet, px, scale, left, top }: Omit<SheetProps, "active">) {
  const words = useWords(sheet.ppi);
  const width = px(sheet.paper.width);
  const height = px(sheet.paper.height);
  const preview = usePreview(scale);
  return (
    <>
      <div className="absolute shadow-[0_3px_14px_rgb(0_0_0/.28)]" style={{ left, top, width, height }}>
        <SheetPicture
          plan={sheet}
          photo={preview}
          className="block h-full w-full"
          label={`Sheet ${sheet.number} of ${sheet.of} as it is printed`}
        />
      </div>
      <p
        className="measure absolute -translate-x-1/2 text-[12px] text-ink"
        style={{ left: left + width / 2, top: top + height + 14 }}
      >
        {sheet.parts.length > 0 && sheet.title !== null && `${sheet.title}: `}
        {sheet.stock.name}, {words.size(sheet.paper)}
      </p>
    </>
  );
}

/** The smallest preview that is sharp on this screen: a smaller one is painted faster while it is dragged. */
const usePreview = (scale: number) =>
  useCallback(
    (photo: string, um: number) => address.previewFor(photo, (um / 1000) * scale * window.devicePixelRatio),
    [scale],
  );

/** Keeps what “fit” means up to date with the window and the paper. */
function useFit(pages: readonly SheetPlan[], { width, height }: TableRoom) {
  const dispatch = useAppDispatch();
  const spread = spreadOf(pages);
  useEffect(() => {
    if (spread.width === 0 || width === 0) return;
    const across = (width - ROOM.left - ROOM.right) / (spread.width / 1000);
    const down = (height - ROOM.top - ROOM.bottom) / (spread.height / 1000);
    dispatch(fittedTo(Math.max(LEAST_ZOOM, Math.min(across, down))));
  }, [dispatch, spread.width, spread.height, width, height]);
}
