import { layoutArea, PRINT_SIZES, roomAround, sizesThere, type SheetPlan } from "@wide-quilt/core";
import { useEffect, useRef } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { useWords } from "../../../words/words.ts";
import type { BareDrop } from "./Cells.tsx";
import { addCell } from "./chosen.ts";

interface Props {
  sheet: SheetPlan;
  drop: BareDrop;
  px(um: number): number;
  onClose(): void;
}

const beyond = (at: number, length: number): string => (at > length / 2 ? "-100%" : "0");

/** A photo was dropped on bare paper: the sizes that fit there, to choose one. */
export function BareDropPanel({ sheet, drop, px, onClose }: Props) {
  const dispatch = useAppDispatch();
  const words = useWords(sheet.ppi);
  const job = useAppSelector((state) => state.openJob.job);
  const photos = useAppSelector((state) => state.openJob.photos);
  const own = useAppSelector((state) => state.preferences.sizes);
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => list.current?.querySelector("button")?.focus(), []);
  if (!job) return null;
  const facts = photos[drop.photo];
  const proportion = facts ? facts.width / facts.height : 1.5;
  const taken = sheet.cells.map(({ finished }) => finished);
  const room = roomAround(drop, layoutArea(job.sheet, sheet.paper), taken, job.ticket.gap);
  const sizes = [...own.map((size) => ({ ...size, name: "Own size" })), ...PRINT_SIZES];
  const offers = room ? sizesThere(drop, room, sizes, proportion).slice(0, 9) : [];
  return (
    <div
      ref={list}
      role="dialog"
      aria-label="Sizes that fit here"
      className="absolute z-20 w-64 rounded-xl border border-line bg-white p-2 shadow-xl"
      style={{
        left: px(drop.x),
        top: px(drop.y),
        // Towards the middle of the sheet, where there is room on every table.
        transform: `translate(${beyond(drop.x, sheet.paper.width)}, ${beyond(drop.y, sheet.paper.height)})`,
      }}
      onKeyDown={(event) => event.key === "Escape" && onClose()}
      onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && onClose()}
    >
      <p className="px-2 pt-1 pb-1.5 text-[13px] font-semibold">
        {offers.length > 0 ? "What fits here" : "There is no room for a cell here."}
      </p>
      {offers.map(({ name, place }) => (
        <button
          key={`${name} ${place.width} ${place.height}`}
          type="button"
          className="flex w-full justify-between gap-3 rounded-md px-2 py-1.5 text-left text-[13px] hover:bg-accent-soft focus:bg-accent-soft"
          onClick={() => {
            dispatch(addCell(place, place, drop.photo));
            onClose();
          }}
        >
          <span className="truncate">{name}</span>
          <span className="measure text-[12px] text-ink-2">{words.size(place)}</span>
        </button>
      ))}
    </div>
  );
}
