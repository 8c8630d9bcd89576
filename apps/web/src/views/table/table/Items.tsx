import { overlap, um, type ItemPlan, type Job, type SheetPlan } from "@wide-quilt/core";
import type { KeyboardEvent } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { store } from "../../../app/store.ts";
import { edit } from "../../../table/edits.ts";
import { held } from "../../../table/openJob.ts";
import { selectJob } from "../../../table/sheets.ts";
import { itemChosen, type View } from "../../../table/view.ts";
import { useWords } from "../../../words/words.ts";
import { FORM_NAMES } from "../finish/freshShape.ts";
import { Frame } from "./Frame.tsx";
import { itemEdit, withoutItem } from "./items.ts";
import { ARROWS, COARSE_NUDGE, FINE_NUDGE, NUDGE, useGestures } from "./nudge.ts";
import { useItemDrag } from "./useItemDrag.ts";

interface Props {
  sheet: SheetPlan;
  px(um: number): number;
}

/** What the editor that is open is of: all of that is then in the hand, over photos too. */
function editedIn({ side, finishes: { part } }: View): readonly ItemPlan["kind"][] {
  if (side !== "finish") return NOTHING;
  if (part === "shapes") return SHAPES;
  return part === "texts" || part === "blocks" ? WORDS : NOTHING;
}

const NOTHING: readonly ItemPlan["kind"][] = [];
const SHAPES: readonly ItemPlan["kind"][] = ["shape"];
const WORDS: readonly ItemPlan["kind"][] = ["words", "block"];

/** Whether something lies on bare paper, where it takes no cell from the hand that moves those. */
const isOnPaper = ({ finished }: ItemPlan, { cells }: SheetPlan): boolean =>
  !cells.some((cell) => overlap(cell.finished, finished) !== null);

/** Boxes of words, shapes and blocks as things to choose, move, resize and turn, over the cells. */
export function Items({ sheet, px }: Props) {
  const dispatch = useAppDispatch();
  const job = useAppSelector(selectJob);
  const edited = useAppSelector((state) => editedIn(state.view));
  const drags = useAppSelector((state) => state.view.drags);
  const chosen = useAppSelector((state) => state.view.item);
  const words = useWords(sheet.ppi);
  const drag = useItemDrag(sheet, px);
  const gestureOf = useGestures();
  // Days that come with a page are set by its ticket.
  const own = sheet.items.filter(({ kind, name }) => kind !== "block" || (job && name in job.blocks));
  const items =
    edited.length > 0
      ? own.filter(({ kind }) => edited.includes(kind))
      : drags === "cell"
        ? own.filter((item) => item.kind !== "shape" && isOnPaper(item, sheet))
        : [];
  if (!job || items.length === 0) return null;
  const frame = items.find(({ name, laid }) => name === chosen && !laid);

  const onKeyDown = (event: KeyboardEvent, item: ItemPlan) => {
    const { openJob } = store.getState();
    if (!openJob.job) return;
    const done = () => {
      event.preventDefault();
      event.stopPropagation();
    };
    const arrow = ARROWS[event.key];
    if (arrow && !item.laid && !event.ctrlKey && !event.metaKey) {
      const by = event.shiftKey ? COARSE_NUDGE : event.altKey ? FINE_NUDGE : NUDGE;
      const { x, y } = item.finished;
      const to = { x: um(x + arrow[0] * by), y: um(y + arrow[1] * by) };
      void dispatch(edit(itemEdit(openJob.job, item, to), gestureOf(`item ${item.name}`, event.timeStamp)));
      return done();
    }
    if (event.key === "Delete") {
      void dispatch(edit(withoutItem(item)));
      return done();
    }
    if (event.key === "Escape") {
      dispatch(openJob.held ? held(null) : itemChosen(null));
      done();
    }
  };

  return (
    <div
      role="group"
      aria-label={`Words, tables and shapes of sheet ${sheet.number}`}
      className="pointer-events-none absolute inset-0"
      {...drag}
    >
      {items.map((item) => {
        const { name, finished, angle, laid } = item;
        return (
          <button
            key={name}
            type="button"
            data-item={name}
            aria-pressed={name === chosen}
            aria-label={`${titleOf(job, item)}, ${words.size(finished)}${laid ? ", across the foot" : ""}`}
            title={laid ? "Stands across the foot of every page; its editor gives it to the hand" : undefined}
            className={`pointer-events-auto absolute top-0 left-0 touch-none outline-offset-1 ${name === chosen ? "outline-2 outline-accent" : "outline-1 outline-dashed outline-accent/60 hover:outline-accent"} ${laid ? "cursor-pointer" : "cursor-move"}`}
            style={{
              transform: `translate(${px(finished.x)}px, ${px(finished.y)}px) rotate(${angle}deg)`,
              width: px(finished.width),
              height: px(finished.height),
            }}
            onFocus={() => name !== chosen && dispatch(itemChosen(item))}
            onKeyDown={(event) => onKeyDown(event, item)}
          />
        );
      })}
      {frame && <Frame of={frame} px={px} turns={frame.kind !== "block"} />}
    </div>
  );
}

/** “Words “Open day”” or “Table “Prices””, as they are known in the editors. */
function titleOf({ texts, blocks, shapes }: Job, { kind, name }: ItemPlan): string {
  if (kind === "shape") {
    const shape = shapes[name];
    return shape ? `${FORM_NAMES[shape.form]}${shape.is === "window" ? ", a window" : ""}` : "Shape";
  }
  if (kind === "words") return `Words “${texts[name]?.text ?? ""}”`;
  const block = blocks[name];
  if (block?.kind !== "table") return "Days";
  const { title } = block;
  return title === "" ? `Table ${Object.keys(blocks).indexOf(name) + 1}` : `Table “${title}”`;
}
