import { nearest, snap, type ItemPlan, type SheetPlan, type SnapTo } from "@wide-quilt/core";
import { useAppDispatch } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { itemChosen } from "../../../table/view.ts";
import { itemEdit } from "./items.ts";
import { shifted } from "./places.ts";
import { resized, turnedTo, type Handle } from "./pulling.ts";
import { snapTargets } from "./snapping.ts";
import { useHeldDrag } from "./useHeldDrag.ts";

interface Taken {
  handle: Handle;
  item: ItemPlan;
  targets: SnapTo;
}

/** Moves, resizes and turns a box of words or a block, as cells are; what the layout has is only chosen. */
export function useItemDrag(sheet: SheetPlan, px: (um: number) => number) {
  const dispatch = useAppDispatch();
  return useHeldDrag<Taken>(px, {
    take: ({ target }, job) => {
      const element = target as Element;
      const name = element.closest("[data-item]")?.getAttribute("data-item") ?? store.getState().view.item;
      const item = sheet.items.find((one) => one.name === name);
      if (!item) return null;
      dispatch(itemChosen(item));
      if (item.laid) return null;
      const handle = (element.getAttribute("data-handle") as Handle | null) ?? "move";
      return { handle, item, targets: snapTargets(job, sheet, [], store.getState().view, 1000 / px(1000)) };
    },
    drag: (now, by, event, job) => {
      const { item, handle, targets } = now;
      if (handle === "turn") {
        return { edit: itemEdit(job, item, { turn: turnedTo(item.finished, now, event) }), lines: [] };
      }
      if (handle === "move") {
        const moved = shifted(item.finished, nearest(by.x), nearest(by.y));
        const { dx, dy, lines } = snap(moved, targets);
        return { edit: itemEdit(job, item, shifted(moved, dx, dy)), lines };
      }
      const { rect, lines } = resized(item, handle, by, targets, event.shiftKey);
      return { edit: itemEdit(job, item, rect), lines };
    },
  });
}
