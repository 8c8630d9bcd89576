import {
  aligned,
  distributed,
  nearest,
  rectOf,
  sameSize,
  um,
  type AlignTo,
  type CellPlan,
  type Job,
  type Place,
  type Rect,
  type SheetPlan,
  type ShotName,
} from "@wide-quilt/core";
import { noticed } from "../../../app/noticeSlice.ts";
import type { Dispatch, State } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { selectChosen, selectSheet } from "../../../table/sheets.ts";
import { cellSelected, cellsSelected } from "../../../table/view.ts";
import { placeEdit, placeOf, shifted } from "./places.ts";

type Thunk = (dispatch: Dispatch, getState: () => State) => void;

interface Chosen {
  job: Job;
  sheet: SheetPlan;
  cells: CellPlan[];
  dispatch: Dispatch;
}

/** Does something with the chosen cells, if there are any. */
const withChosen =
  (act: (chosen: Chosen) => void): Thunk =>
  (dispatch, getState) => {
    const { job } = getState().openJob;
    const sheet = selectSheet(getState());
    const cells = selectChosen(getState());
    if (job && sheet && cells.length > 0) act({ job, sheet, cells, dispatch });
  };

/** Puts every chosen cell that is not locked elsewhere: what changes of each place. */
const place = (to: (cells: CellPlan[], chosen: Chosen) => Partial<Place>[], gesture?: string): Thunk =>
  withChosen((chosen) => {
    const free = chosen.cells.filter(({ locked }) => !locked);
    if (free.length === 0) return;
    const places = to(free, chosen);
    const moves = free.map((cell, i) => ({ cell, to: places[i]! }));
    chosen.dispatch(edit(placeEdit(chosen.job, chosen.sheet.id, moves), gesture));
  });

const rects = (cells: readonly CellPlan[]): Rect[] => cells.map(({ finished }) => rectOf(finished));

export const nudgeCells = (dx: number, dy: number, gesture: string): Thunk =>
  place((cells) => rects(cells).map((rect) => shifted(rect, dx, dy)), gesture);

/** Several among themselves; one cell to the finished sheet. */
export const alignChosen = (to: AlignTo): Thunk =>
  place((cells, { sheet }) => aligned(rects(cells), to, cells.length === 1 ? sheet.trim : undefined));

export const distributeChosen = (along: "x" | "y"): Thunk =>
  place((cells) => distributed(rects(cells), along));

/** The size of the cell that was chosen last. */
export const sameSizeChosen = (): Thunk => place((cells) => sameSize(rects(cells), cells[0]!.finished));

/** Over or under everything else on the sheet. */
export const orderChosen = (to: "front" | "back"): Thunk =>
  place((cells, { job, sheet }) => {
    const orders = sheet.cells.map((cell) => placeOf(job, sheet.id, cell).order);
    const order = to === "front" ? Math.max(...orders) + 1 : Math.min(...orders) - 1;
    return cells.map(() => ({ order }));
  });

/** Sets parts of the place of the chosen cell, locked or not: a typed figure, a lock. */
export const setPlace = (change: Partial<Place>, gesture?: string): Thunk =>
  withChosen(({ job, sheet, cells, dispatch }) =>
    dispatch(
      edit(
        placeEdit(
          job,
          sheet.id,
          cells.map((cell) => ({ cell, to: change })),
        ),
        gesture,
      ),
    ),
  );

/** Copies, a little aside, showing what the copied cells show. */
export const duplicateChosen = (): Thunk =>
  withChosen(({ job, sheet, cells, dispatch }) => {
    const aside = 5000;
    const own = Object.keys(job.cells).filter((key) => key.startsWith("o"));
    const last = Math.max(0, ...own.map((key) => Number(key.slice(1))));
    dispatch(
      edit({
        do: "add cells",
        cells: cells.map((cell) => {
          const from = placeOf(job, sheet.id, cell);
          return {
            place: { ...from, x: um(from.x + aside), y: um(from.y + aside), locked: false },
            photo: cell.photo,
            like: cell.key,
          };
        }),
      }),
    );
    dispatch(cellsSelected(cells.map((_, i) => `o${last + i + 1}`)));
  });

export const removeChosen = (): Thunk =>
  withChosen(({ cells, dispatch }) => {
    const free = cells.filter(({ locked }) => !locked);
    const locked = cells.length - free.length;
    if (locked > 0) {
      const said =
        locked === 1
          ? "A locked cell stays. Unlock it at the right to remove it."
          : `${locked} locked cells stay. Unlock them at the right to remove them.`;
      dispatch(noticed(said));
    }
    if (free.length === 0) return;
    dispatch(cellSelected(null));
    dispatch(edit({ do: "remove cells", cells: free.map(({ key }) => key) }));
  });

/** Gives the places of the chosen cells back to the layout. */
export const unplaceChosen = (): Thunk =>
  withChosen(({ cells, dispatch }) => dispatch(edit({ do: "unplace", cells: cells.map(({ key }) => key) })));

export const shareShot = (shot: ShotName): Thunk =>
  withChosen(({ cells, dispatch }) =>
    dispatch(edit({ do: "share shot", cells: cells.map(({ key }) => key), shot })),
  );

export const chooseAll = (): Thunk => (dispatch, getState) => {
  const sheet = selectSheet(getState());
  if (sheet) dispatch(cellsSelected(sheet.cells.map(({ key }) => key)));
};

/** A new bare cell of a size in the middle of the sheet that is shown, or of what room there is at a place. */
export const addCell =
  (size: { width: number; height: number }, at?: Rect, photo: string | null = null): Thunk =>
  (dispatch, getState) => {
    const sheet = selectSheet(getState());
    const { job } = getState().openJob;
    if (!sheet || !job) return;
    const rect = at ?? {
      x: nearest(sheet.trim.x + (sheet.trim.width - size.width) / 2),
      y: nearest(sheet.trim.y + (sheet.trim.height - size.height) / 2),
      width: nearest(size.width),
      height: nearest(size.height),
    };
    const own = Object.keys(job.cells).filter((key) => key.startsWith("o"));
    const last = Math.max(0, ...own.map((key) => Number(key.slice(1))));
    const place: Place = { sheet: sheet.id, ...rect, angle: 0, order: 0, locked: false, proportion: false };
    dispatch(edit({ do: "add cells", cells: [{ place, photo }] }));
    dispatch(cellsSelected([`o${last + 1}`]));
  };
