import { PHOTO_SHARE, um, type JobEdit, type LaidSplit, type SheetPlan } from "@wide-quilt/core";
import type { KeyboardEvent } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { edit } from "../../../table/edits.ts";
import { selectLayout } from "../../../table/sheets.ts";
import { useWords } from "../../../words/words.ts";
import { useGestures } from "./nudge.ts";
import { useHeldDrag } from "./useHeldDrag.ts";

/** How thick the handle is, in CSS pixels: as thick as is easily hit (WCAG 2.2, 2.5.8). */
const THICK = 24;
/** Photos take so much more by a key, or with Shift. */
const [STEP, COARSE] = [0.01, 0.05];

interface Props {
  sheet: SheetPlan;
  px(um: number): number;
}

/** The border between photos and days, moved by hand or by the arrow keys. */
export function Divider({ sheet, px }: Props) {
  const split = useAppSelector(
    (state) => selectLayout(state)?.sheets.find(({ name }) => name === sheet.id)?.split,
  );
  return split ? <Handle split={split} sheet={sheet} px={px} /> : null;
}

function Handle({ split, sheet, px }: Props & { split: LaidSplit }) {
  const dispatch = useAppDispatch();
  const words = useWords(sheet.ppi);
  const gestureOf = useGestures();
  const { beside, photosFirst, area, gap, share } = split;
  const length = (beside ? area.width : area.height) - gap;
  const drag = useHeldDrag<{ targets: null; share: number }>(px, {
    take: () => ({ targets: null, share }),
    drag: (taken, by) => {
      const further = (beside ? by.x : by.y) / length;
      return { edit: shared(taken.share + (photosFirst ? further : -further)) };
    },
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const way = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[event.key];
    if (way === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    const by = way * (event.shiftKey ? COARSE : STEP) * (photosFirst ? 1 : -1);
    void dispatch(edit(shared(share + by), gestureOf("split", event.timeStamp)));
  };
  const at = (photosFirst ? share : 1 - share) * length + gap / 2;
  const middle = px(um(Math.round((beside ? area.x : area.y) + at)));
  const [across, down] = [px(area.width), px(area.height)];
  const place = beside
    ? { left: middle - THICK / 2, top: px(area.y), width: THICK, height: down }
    : { left: px(area.x), top: middle - THICK / 2, width: across, height: THICK };
  return (
    <div
      role="separator"
      tabIndex={0}
      data-handle="split"
      aria-label="Border between photo and days"
      aria-orientation={beside ? "vertical" : "horizontal"}
      aria-valuemin={PHOTO_SHARE.least * 100}
      aria-valuemax={PHOTO_SHARE.most * 100}
      aria-valuenow={Math.round(share * 100)}
      aria-valuetext={`The photo takes ${words.percent(share)}`}
      title="Drag to give the photo more or less of the page"
      className={`group absolute flex touch-none outline-none items-center justify-center ${beside ? "cursor-col-resize" : "cursor-row-resize"}`}
      style={place}
      onKeyDown={onKeyDown}
      {...drag}
    >
      <span
        aria-hidden
        className={`rounded-full bg-accent opacity-0 outline-2 outline-white transition-opacity group-hover:opacity-100 group-focus-visible:opacity-100 group-focus-visible:ring-4 group-focus-visible:ring-accent/40 ${beside ? "h-14 w-1.5" : "h-1.5 w-14"}`}
      />
    </div>
  );
}

const shared = (share: number): JobEdit => ({
  do: "ticket",
  change: { share: Math.round(Math.min(PHOTO_SHARE.most, Math.max(PHOTO_SHARE.least, share)) * 1000) / 1000 },
});
