import { nearest, type CellPlan, type Rect, type SheetPlan, type Um } from "@wide-quilt/core";
import { memo, useRef, type DragEvent, type KeyboardEvent } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { edit } from "../../../table/edits.ts";
import { putInCell } from "../../../table/putIn.ts";
import { selectChosen, selectNames } from "../../../table/sheets.ts";
import { cellSelected } from "../../../table/view.ts";
import { useWords } from "../../../words/words.ts";
import { PHOTO_DRAG } from "../stash/drag.ts";
import { Frame } from "./Frame.tsx";
import { neighbour } from "./neighbour.ts";
import { useCellDrag } from "./useCellDrag.ts";
import { useCellKeys } from "./useCellKeys.ts";
import { usePhotoDrag } from "./usePhotoDrag.ts";

interface Props {
  sheet: SheetPlan;
  px(um: number): number;
  /** A photo was dropped on bare paper, at this place on the sheet. */
  onBare(drop: BareDrop): void;
}

export interface BareDrop {
  photo: string;
  x: Um;
  y: Um;
}

/**
 * The cells as things to choose, move in and drop on, over the painted sheet. They stay as they are while a photo is
 * moved in them.
 */
export const Cells = memo(CellsOfSheet, (before, now) => {
  const [a, b] = [before.sheet, now.sheet];
  return (
    before.px === now.px &&
    a.id === b.id &&
    a.number === b.number &&
    a.cells.length === b.cells.length &&
    a.cells.every((cell, i) => isSameThing(cell, b.cells[i]!))
  );
});

const isSameRect = (a: Rect, b: Rect): boolean =>
  a === b || (a.x === b.x && a.y === b.y && a.width === b.width && a.height === b.height);

const isSameThing = (a: CellPlan, b: CellPlan): boolean =>
  isSameRect(a.finished, b.finished) &&
  a.key === b.key &&
  a.shot === b.shot &&
  a.photo === b.photo &&
  a.angle === b.angle &&
  a.turn === b.turn &&
  a.placed === b.placed &&
  a.styled.length === b.styled.length &&
  a.locked === b.locked &&
  !a.picture === !b.picture;

function CellsOfSheet({ sheet, px, onBare }: Props) {
  const dispatch = useAppDispatch();
  const selected = useAppSelector((state) => state.view.cell);
  const pointed = useAppSelector((state) => state.view.pointed);
  const names = useAppSelector(selectNames);
  const words = useWords(sheet.ppi);
  const list = useRef<HTMLDivElement>(null);
  const onCellKey = useCellKeys();
  // The cells of a sheet mostly have one size, so it is put in words once.
  const sizes = new Map<string, string>();
  const sizeOf = ({ finished }: CellPlan): string => {
    const key = `${finished.width} ${finished.height}`;
    const said = sizes.get(key) ?? words.size(finished);
    sizes.set(key, said);
    return said;
  };
  const reachable = sheet.cells.some(({ key }) => key === selected) ? selected : sheet.cells[0]?.key;

  /** The cell that an event happened on: one listener on the list serves hundreds of cells. */
  const cellOf = (event: { target: EventTarget }): CellPlan | undefined => {
    const key = (event.target as Element).closest("[data-cell]")?.getAttribute("data-cell");
    return sheet.cells.find((cell) => cell.key === key);
  };
  const drags = useAppSelector((state) => state.view.drags);
  const also = useAppSelector((state) => state.view.also);
  const photoDrag = usePhotoDrag(px, cellOf);
  const cellDrag = useCellDrag(sheet, px, cellOf);
  const chosen = useAppSelector(selectChosen);
  const drag = drags === "photo" ? photoDrag : cellDrag;
  const onKeyDown = (event: KeyboardEvent) => {
    const cell = cellOf(event);
    if (!cell) return;
    const goes = drags === "photo" ? !event.shiftKey : event.ctrlKey || event.metaKey;
    const next = goes ? neighbour(sheet.cells, cell, event.key) : null;
    if (!next) return onCellKey(event, cell);
    event.preventDefault();
    dispatch(cellSelected(next.key));
    list.current?.querySelector<HTMLElement>(`[data-cell="${next.key}"]`)?.focus();
  };
  const onDrop = (event: DragEvent) => {
    const cell = cellOf(event);
    const photo = event.dataTransfer.getData(PHOTO_DRAG);
    if (!photo) return;
    event.preventDefault();
    if (!cell) {
      const box = event.currentTarget.getBoundingClientRect();
      const at = (pixels: number) => nearest((pixels * 1000) / px(1000));
      onBare({ photo, x: at(event.clientX - box.left), y: at(event.clientY - box.top) });
      return;
    }
    dispatch(event.shiftKey ? edit({ do: "put in all", photo }) : putInCell(cell, photo));
    dispatch(cellSelected(cell.key));
  };
  return (
    <div
      ref={list}
      role="listbox"
      aria-label={`Cells of sheet ${sheet.number}`}
      aria-multiselectable={drags === "cell" || undefined}
      className={`absolute inset-0 touch-none ${drags === "cell" ? "cursor-crosshair" : ""}`}
      onFocus={(event) => {
        const cell = cellOf(event);
        if (cell && cell.key !== selected) dispatch(cellSelected(cell.key));
      }}
      onKeyDown={onKeyDown}
      onDragOver={(event) => event.dataTransfer.types.includes(PHOTO_DRAG) && event.preventDefault()}
      onDrop={onDrop}
      {...drag}
    >
      {sheet.cells.map((cell) => {
        const { key, number, finished, photo, picture } = cell;
        return (
          <Option
            key={key}
            id={key}
            label={`Cell ${number}: ${photo === null ? "empty" : (names.get(photo) ?? "photo missing")}, ${sizeOf(cell)}${cell.placed ? ", put by hand" : ""}${cell.styled.length > 0 ? ", finished by hand" : ""}`}
            selected={key === selected || also.includes(key)}
            tilt={cell.angle}
            placed={cell.placed}
            styled={cell.styled.length > 0}
            reachable={key === reachable}
            pointed={pointed.includes(key)}
            empty={!picture}
            left={px(finished.x)}
            top={px(finished.y)}
            width={px(finished.width)}
            height={px(finished.height)}
          />
        );
      })}
      {drags === "cell" && chosen.length === 1 && !chosen[0]!.locked && <Frame of={chosen[0]!} px={px} />}
    </div>
  );
}

interface OptionProps {
  id: string;
  label: string;
  selected: boolean;
  reachable: boolean;
  pointed: boolean;
  empty: boolean;
  left: number;
  top: number;
  width: number;
  height: number;
  tilt: number;
  placed: boolean;
  styled: boolean;
}

const Option = memo(function Option({
  id,
  label,
  selected,
  reachable,
  pointed,
  empty,
  left,
  top,
  width,
  height,
  tilt,
  placed,
  styled,
}: OptionProps) {
  return (
    <div
      role="option"
      data-cell={id}
      aria-selected={selected}
      aria-label={label}
      tabIndex={reachable ? 0 : -1}
      className={`absolute top-0 left-0 touch-none ${outlineOf(selected, pointed, empty)} ${empty ? "cursor-pointer" : "cursor-move"}`}
      style={{
        transform: `translate(${left}px, ${top}px)${tilt === 0 ? "" : ` rotate(${tilt}deg)`}`,
        width,
        height,
      }}
    >
      {placed && (
        <span
          title="Put here by hand"
          className="pointer-events-none absolute -top-px -left-px size-0 border-t-[9px] border-r-[9px] border-t-accent border-r-transparent"
        />
      )}
      {styled && (
        <span
          title="Finished by hand"
          className="pointer-events-none absolute -top-px -right-px size-0 border-t-[9px] border-l-[9px] border-t-accent border-l-transparent"
        />
      )}
    </div>
  );
});

function outlineOf(selected: boolean, pointed: boolean, empty: boolean): string {
  if (selected) return "outline-2 outline-accent outline-offset-0";
  if (pointed) return "outline-2 outline-[#c79a12] outline-offset-0 bg-[#fbf0cf]/30";
  // An empty cell has no ink of its own, so it is drawn here; none of this prints.
  return empty ? "outline-1 outline-dashed outline-edge -outline-offset-1 bg-chrome" : "";
}
