import { memo, useRef, type DragEvent, type KeyboardEvent } from "react";
import type { CellPlan, SheetPlan } from "@wide-quilt/core";
import { useAppDispatch, useAppSelector } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { selectNames } from "../../../table/sheets.ts";
import { cellSelected } from "../../../table/view.ts";
import { useWords } from "../../../words/words.ts";
import { PHOTO_DRAG } from "../stash/drag.ts";
import { neighbour } from "./neighbour.ts";
import { useCellKeys } from "./useCellKeys.ts";
import { usePhotoDrag } from "./usePhotoDrag.ts";

interface Props {
  sheet: SheetPlan;
  px(um: number): number;
}

/** The cells as things to choose, move in and drop on, over the painted sheet. */
export function Cells({ sheet, px }: Props) {
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
  const drag = usePhotoDrag(px, cellOf);
  const onKeyDown = (event: KeyboardEvent) => {
    const cell = cellOf(event);
    if (!cell) return;
    const next = event.shiftKey ? null : neighbour(sheet.cells, cell, event.key);
    if (!next) return onCellKey(event, cell);
    event.preventDefault();
    dispatch(cellSelected(next.key));
    list.current?.querySelector<HTMLElement>(`[data-cell="${next.key}"]`)?.focus();
  };
  const onDrop = (event: DragEvent) => {
    const cell = cellOf(event);
    const photo = event.dataTransfer.getData(PHOTO_DRAG);
    if (!cell || !photo) return;
    event.preventDefault();
    dispatch(
      edit(event.shiftKey ? { do: "put in all", photo } : { do: "put in one", cell: cell.key, photo }),
    );
    dispatch(cellSelected(cell.key));
  };
  return (
    <div
      ref={list}
      role="listbox"
      aria-label={`Cells of sheet ${sheet.number}`}
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
            label={`Cell ${number}: ${photo === null ? "empty" : (names.get(photo) ?? "photo missing")}, ${sizeOf(cell)}`}
            selected={key === selected}
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
}: OptionProps) {
  return (
    <div
      role="option"
      data-cell={id}
      aria-selected={selected}
      aria-label={label}
      tabIndex={reachable ? 0 : -1}
      className={`absolute top-0 left-0 touch-none ${outlineOf(selected, pointed, empty)} ${empty ? "cursor-pointer" : "cursor-move"}`}
      style={{ transform: `translate(${left}px, ${top}px)`, width, height }}
    />
  );
});

function outlineOf(selected: boolean, pointed: boolean, empty: boolean): string {
  if (selected) return "outline-2 outline-accent outline-offset-0";
  if (pointed) return "outline-2 outline-[#c79a12] outline-offset-0 bg-[#fbf0cf]/30";
  // An empty cell has no ink of its own, so it is drawn here; none of this prints.
  return empty ? "outline-1 outline-dashed outline-edge -outline-offset-1 bg-chrome" : "";
}
