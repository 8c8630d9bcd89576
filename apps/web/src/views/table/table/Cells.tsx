import { useRef, type DragEvent, type KeyboardEvent } from "react";
import type { CellPlan, SheetPlan } from "@wide-quilt/core";
import { useAppDispatch, useAppSelector } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { selectJob } from "../../../table/sheets.ts";
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
  const job = useAppSelector(selectJob);
  const words = useWords(sheet.ppi);
  const list = useRef<HTMLDivElement>(null);
  const drag = usePhotoDrag(px);
  const onCellKey = useCellKeys();
  const names = new Map(job?.stash.map(({ id, name }) => [id, name]));
  const firstKey = sheet.cells[0]?.key;
  const reachable = sheet.cells.some(({ key }) => key === selected) ? selected : firstKey;

  const onKeyDown = (event: KeyboardEvent, cell: CellPlan) => {
    const next = event.shiftKey ? null : neighbour(sheet.cells, cell, event.key);
    if (next) {
      event.preventDefault();
      dispatch(cellSelected(next.key));
      list.current?.querySelector<HTMLElement>(`[data-cell="${next.key}"]`)?.focus();
    } else {
      onCellKey(event, cell);
    }
  };
  return (
    <div ref={list} role="listbox" aria-label={`Cells of sheet ${sheet.number}`}>
      {sheet.cells.map((cell) => {
        const { key, number, finished, photo } = cell;
        const name = photo === null ? "empty" : (names.get(photo) ?? "photo missing");
        return (
          <div
            key={key}
            role="option"
            data-cell={key}
            aria-selected={key === selected}
            aria-label={`Cell ${number}: ${name}, ${words.size(finished)}`}
            tabIndex={key === reachable ? 0 : -1}
            className={`absolute touch-none ${outlineOf(cell, key === selected, pointed.includes(key))} ${cell.picture ? "cursor-move" : "cursor-pointer"}`}
            style={{
              left: px(finished.x),
              top: px(finished.y),
              width: px(finished.width),
              height: px(finished.height),
            }}
            onFocus={() => key !== selected && dispatch(cellSelected(key))}
            onKeyDown={(event) => onKeyDown(event, cell)}
            onDragOver={(event) => event.dataTransfer.types.includes(PHOTO_DRAG) && event.preventDefault()}
            onDrop={(event: DragEvent) => {
              const dropped = event.dataTransfer.getData(PHOTO_DRAG);
              if (!dropped) return;
              event.preventDefault();
              dispatch(
                edit(
                  event.shiftKey
                    ? { do: "put in all", photo: dropped }
                    : { do: "put in one", cell: key, photo: dropped },
                ),
              );
              dispatch(cellSelected(key));
            }}
            {...drag(cell)}
          />
        );
      })}
    </div>
  );
}

function outlineOf({ picture }: CellPlan, selected: boolean, pointed: boolean): string {
  if (selected) return "outline-2 outline-accent outline-offset-0";
  if (pointed) return "outline-2 outline-[#c79a12] outline-offset-0 bg-[#fbf0cf]/30";
  // An empty cell has no ink of its own, so it is drawn here; none of this prints.
  return picture ? "" : "outline-1 outline-dashed outline-edge -outline-offset-1 bg-chrome";
}
