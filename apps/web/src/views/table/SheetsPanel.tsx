import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import type { CellPlan, SheetPlan } from "@wide-quilt/core";
import type { DragEvent } from "react";
import { ArrowDown, ArrowUp, Layers, Plus, RotateCcw, Trash2 } from "lucide-react";
import { address } from "../../api/client.ts";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { edit } from "../../table/edits.ts";
import { putInCell } from "../../table/putIn.ts";
import { selectSheets } from "../../table/sheets.ts";
import { aided, sheetTurned } from "../../table/view.ts";
import { button } from "../../ui/button.ts";
import { PositionsTable } from "./PositionsTable.tsx";
import { PHOTO_DRAG } from "./stash/drag.ts";
import { FacingField } from "./FacingField.tsx";

const preview = (photo: string) => address.preview(photo, 320);

/** The sheets of the job: gone to, added, removed, brought into another order; pages that face each other. */
export function SheetsPanel({ className }: { className: string }) {
  return (
    <Popover>
      <PopoverButton className={`flex items-center gap-1.5 ${className}`}>
        <Layers size={15} aria-hidden /> Sheets
      </PopoverButton>
      <PopoverPanel
        focus
        anchor={{ to: "top start", gap: 8, padding: 12 }}
        role="dialog"
        aria-label="Sheets"
        className="z-30 w-[340px] rounded-xl border border-line bg-white p-3.5 text-[13px] text-ink shadow-xl"
      >
        <SheetList />
      </PopoverPanel>
    </Popover>
  );
}

/** Sheets with pictures; a job of hundreds is not drawn whole. */
const MOST_PICTURES = 60;

function SheetList() {
  const dispatch = useAppDispatch();
  const sheets = useAppSelector(selectSheets);
  const shown = useAppSelector((state) => state.view.sheet);
  const pair = useAppSelector((state) => state.view.pair);
  const facing = useAppSelector((state) => state.openJob.job?.sheet.facing ?? null);
  const gone = useAppSelector((state) => {
    const { job } = state.openJob;
    return job !== null && (job.sheets.gone.length > 0 || Object.values(job.cells).some((cell) => cell.gone));
  });
  const what = useAppSelector((state) => (state.openJob.job?.impose.way === "one" ? "Sheet" : "Page"));
  const names = sheets.map(({ id }) => id);
  const move = (index: number, by: 1 | -1) => {
    const order = [...names];
    order.splice(index + by, 0, ...order.splice(index, 1));
    dispatch(edit({ do: "order sheets", sheets: order }));
    dispatch(sheetTurned(index + by + 1));
  };
  return (
    <div className="flex flex-col gap-3">
      <ol className="flex max-h-[min(340px,34vh)] flex-col gap-1 overflow-y-auto">
        {sheets.map((sheet, index) => (
          <li
            key={sheet.id}
            {...photoMoves(sheet, (cell, photo) => dispatch(putInCell(cell, photo)))}
            className={`flex items-center gap-2.5 rounded-md p-1.5 ${sheet.number === shown ? "bg-accent-soft" : "hover:bg-chrome"}`}
          >
            <button
              type="button"
              className="flex min-w-0 grow items-center gap-2.5 text-left"
              onClick={() => dispatch(sheetTurned(sheet.number))}
            >
              <Thumbnail sheet={sheet} drawn={index < MOST_PICTURES} />
              <span>
                {sheet.title ?? (
                  <>
                    {what} <span className="measure">{sheet.number}</span>
                  </>
                )}
                <span className="block text-[12px] text-ink-2">
                  {sheet.cells.length === 1 ? "1 cell" : `${sheet.cells.length} cells`}, {sheet.stock.name}
                </span>
              </span>
            </button>
            <IconButton
              label={`${what} ${sheet.number} earlier`}
              disabled={index === 0}
              onClick={() => move(index, -1)}
            >
              <ArrowUp size={14} aria-hidden />
            </IconButton>
            <IconButton
              label={`${what} ${sheet.number} later`}
              disabled={index === sheets.length - 1}
              onClick={() => move(index, 1)}
            >
              <ArrowDown size={14} aria-hidden />
            </IconButton>
            <IconButton
              label={`Remove ${what.toLowerCase()} ${sheet.number}`}
              disabled={sheets.length === 1}
              onClick={() => {
                const on = sheet.cells.map(({ key }) => key);
                dispatch(edit({ do: "remove sheet", sheet: sheet.id, ...(on.length > 0 && { on }) }));
              }}
            >
              <Trash2 size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ol>
      {sheets.filter(({ cells }) => cells.length > 0).length > 1 && (
        <p className="text-[12.5px] text-ink-2">
          Drag a {what.toLowerCase()} onto another: their first photos change places.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className={button.plain}
          onClick={() => {
            dispatch(edit({ do: "add sheet", after: names[shown - 1] ?? null, sheets: names }));
            dispatch(sheetTurned(Math.min(shown, names.length) + 1));
          }}
        >
          <Plus size={14} aria-hidden /> Add a bare {what.toLowerCase()}
        </button>
        {gone && (
          <button type="button" className={button.plain} onClick={() => dispatch(edit({ do: "bring back" }))}>
            <RotateCcw size={14} aria-hidden /> Bring back what was removed
          </button>
        )}
      </div>
      <div className="flex flex-col gap-1.5 border-t border-line pt-2.5">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={facing !== null}
            onChange={({ target }) =>
              dispatch(edit({ do: "sheet", change: { facing: target.checked ? "right" : null } }))
            }
          />
          Pages that face each other
        </label>
        {facing && <FacingField facing={facing} />}
        {facing && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-4 accent-accent"
              checked={pair}
              onChange={({ target }) => dispatch(aided({ pair: target.checked }))}
            />
            Show both of a pair
          </label>
        )}
      </div>
      <PositionsTable />
    </div>
  );
}

/** A page’s first photo is dragged to another page, and changes places with the one there. */
function photoMoves({ cells: [cell] }: SheetPlan, put: (cell: CellPlan, photo: string) => void) {
  if (!cell) return {};
  const { photo } = cell;
  return {
    ...(photo !== null && {
      draggable: true,
      onDragStart: ({ dataTransfer }: DragEvent) => {
        dataTransfer.setData(PHOTO_DRAG, photo);
        dataTransfer.effectAllowed = "copy";
      },
    }),
    onDragOver: (event: DragEvent) => event.dataTransfer.types.includes(PHOTO_DRAG) && event.preventDefault(),
    onDrop: (event: DragEvent) => {
      event.preventDefault();
      put(cell, event.dataTransfer.getData(PHOTO_DRAG));
    },
  };
}

function Thumbnail({ sheet, drawn }: { sheet: SheetPlan; drawn: boolean }) {
  return (
    <span className="flex h-14 w-16 shrink-0 items-center justify-center rounded bg-table p-1">
      {drawn && <SheetPicture plan={sheet} photo={preview} className="max-h-full max-w-full bg-white" />}
    </span>
  );
}

function IconButton({
  label,
  disabled,
  onClick,
  children,
}: {
  label: string;
  disabled: boolean;
  onClick(): void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      className="rounded p-1 text-ink-2 enabled:hover:bg-white enabled:hover:text-accent disabled:opacity-30"
      onClick={onClick}
    >
      {children}
    </button>
  );
}
