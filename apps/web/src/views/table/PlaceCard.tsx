import {
  LIMITS,
  numberedShot,
  shotNumber,
  type AlignTo,
  type CellPlan,
  type Job,
  type Place,
  type SheetPlan,
} from "@wide-quilt/core";
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceBetween,
  BringToFront,
  Copy,
  Lock,
  LockOpen,
  Scaling,
  SendToBack,
  Trash2,
  Undo2,
  type LucideIcon,
} from "lucide-react";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { selectSheets } from "../../table/sheets.ts";
import { LengthField } from "../../ui/LengthField.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { button } from "../../ui/button.ts";
import { useWords } from "../../words/words.ts";
import {
  alignChosen,
  distributeChosen,
  duplicateChosen,
  orderChosen,
  removeChosen,
  sameSizeChosen,
  setPlace,
  shareShot,
  unplaceChosen,
} from "./table/chosen.ts";
import { placeOf } from "./table/places.ts";

interface Props {
  job: Job;
  sheet: SheetPlan;
  /** The chosen cells, the one chosen last first. */
  cells: readonly CellPlan[];
}

/** Where the chosen cells lie: typed figures, aligning, order, lock, and back to the layout. */
export function PlaceCard({ job, sheet, cells }: Props) {
  const dispatch = useAppDispatch();
  const placed = cells.some(({ placed: own, key }) => own && !key.startsWith("o"));
  return (
    <section aria-label="Place of the cell" className="mb-4 border-b border-line pb-4">
      <h2 className="mb-2.5 flex justify-between gap-2 text-[13px] font-semibold">
        Place
        <span className="font-normal text-ink-3">{sayPlaced(cells)}</span>
      </h2>
      {cells.length === 1 && <Figures job={job} sheet={sheet} cell={cells[0]!} />}
      <Tools several={cells.length} />
      <ShotAndSheet job={job} sheet={sheet} cells={cells} />
      <div className="mt-2 flex flex-wrap gap-1.5">
        <button type="button" className={`${button.plain} !px-2`} onClick={() => dispatch(duplicateChosen())}>
          <Copy size={14} aria-hidden /> Duplicate
        </button>
        <button type="button" className={`${button.plain} !px-2`} onClick={() => dispatch(removeChosen())}>
          <Trash2 size={14} aria-hidden /> Remove
        </button>
        {placed && (
          <button type="button" className={`${button.quiet} !px-2`} onClick={() => dispatch(unplaceChosen())}>
            <Undo2 size={14} aria-hidden /> Back to the layout
          </button>
        )}
      </div>
    </section>
  );
}

function sayPlaced(cells: readonly CellPlan[]): string {
  if (cells.length > 1) return `${cells.length} cells`;
  const [cell] = cells;
  if (cell!.key.startsWith("o")) return "added by hand";
  return cell!.placed ? "put by hand" : "by the layout";
}

function Figures({ job, sheet, cell }: { job: Job; sheet: SheetPlan; cell: CellPlan }) {
  const dispatch = useAppDispatch();
  const words = useWords(sheet.ppi);
  const place = placeOf(job, sheet.id, cell);
  const set = (change: Partial<Place>, gesture?: string) => dispatch(setPlace(change, gesture));
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label="From the left"
          value={place.x}
          range={LIMITS.away}
          words={words}
          onChange={(x, g) => set({ x }, g)}
        />
        <LengthField
          label="From the top"
          value={place.y}
          range={LIMITS.away}
          words={words}
          onChange={(y, g) => set({ y }, g)}
        />
        <NumberField
          label="Tilt, degrees"
          value={place.angle}
          least={-180}
          most={180}
          onChange={(angle, g) => set({ angle }, g)}
        />
        <label className="flex items-center gap-2 self-end pb-2 text-[12.5px] text-ink-2">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={place.proportion}
            onChange={({ target }) => set({ proportion: target.checked })}
          />
          Keep proportion
        </label>
      </div>
    </>
  );
}

const ALIGN: readonly [AlignTo, string, LucideIcon][] = [
  ["left", "Align left", AlignStartVertical],
  ["centre", "Centre across", AlignCenterVertical],
  ["right", "Align right", AlignEndVertical],
  ["top", "Align at the top", AlignStartHorizontal],
  ["middle", "Centre down", AlignCenterHorizontal],
  ["bottom", "Align at the bottom", AlignEndHorizontal],
];

/** One row of small buttons: align, distribute, same size, order, lock. */
function Tools({ several }: { several: number }) {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.view.cell);
  const locked = useAppSelector(
    (state) => (chosen ? state.openJob.job?.cells[chosen]?.place?.locked : false) ?? false,
  );
  const tool = (label: string, Icon: LucideIcon, act: () => unknown, disabled = false) => (
    <button
      key={label}
      type="button"
      aria-label={label}
      title={label}
      disabled={disabled}
      className="rounded-md border border-line bg-white p-1.5 text-ink-2 enabled:hover:border-accent enabled:hover:text-accent disabled:opacity-40"
      onClick={() => act()}
    >
      <Icon size={15} aria-hidden />
    </button>
  );
  return (
    <div className="mt-2.5 flex flex-wrap gap-1">
      {ALIGN.map(([to, label, Icon]) => tool(label, Icon, () => dispatch(alignChosen(to))))}
      {tool(
        "Equal gaps across",
        AlignHorizontalSpaceBetween,
        () => dispatch(distributeChosen("x")),
        several < 3,
      )}
      {tool("Equal gaps down", AlignVerticalSpaceBetween, () => dispatch(distributeChosen("y")), several < 3)}
      {tool("Same size as the one chosen last", Scaling, () => dispatch(sameSizeChosen()), several < 2)}
      {tool("To the front", BringToFront, () => dispatch(orderChosen("front")))}
      {tool("To the back", SendToBack, () => dispatch(orderChosen("back")))}
      {tool(locked ? "Unlock" : "Lock in place", locked ? Lock : LockOpen, () =>
        dispatch(setPlace({ locked: !locked })),
      )}
    </div>
  );
}

/** The shot number, which cells that share a photo have in common, and the sheet they lie on. */
function ShotAndSheet({ job, sheet, cells }: Props) {
  const dispatch = useAppDispatch();
  const sheets = useAppSelector(selectSheets);
  const shared = cells.every(({ slot }) => slot === cells[0]!.slot);
  return (
    <div className="mt-2.5 grid grid-cols-2 gap-2">
      <NumberField
        label="Shot number"
        value={shared ? shotNumber(cells[0]!.slot) : 0}
        least={1}
        most={9999}
        whole
        onChange={(next) => dispatch(shareShot(numberedShot(next)))}
      />
      {sheets.length > 1 && (
        <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
          On sheet
          <select
            className="rounded-md border border-edge bg-white px-2 py-1.5 text-ink"
            value={sheet.id}
            onChange={({ target }) => dispatch(setPlace({ sheet: target.value }))}
          >
            {sheets.map(({ id, number }) => (
              <option key={id} value={id}>
                {number}
              </option>
            ))}
          </select>
        </label>
      )}
      {sheets.length === 1 && (
        <p className="self-end pb-1.5 text-[12px] text-ink-3">
          {job.stash.length > 1 ? "Cells of one number show the same photo." : ""}
        </p>
      )}
    </div>
  );
}
