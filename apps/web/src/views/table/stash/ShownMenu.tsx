import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { EVERY_PHOTO, leavesOut, type Pick } from "@wide-quilt/core";
import { ListFilter } from "lucide-react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { edit } from "../../../table/edits.ts";
import { usesShown, type View } from "../../../table/view.ts";
import { Check } from "../../../ui/Check.tsx";
import { Segments } from "../../../ui/Segments.tsx";
import { button } from "../../../ui/button.ts";
import { Choice, PickFilters } from "./PickFilters.tsx";

/** Which photos the stash shows and in which order. Sheets that show the whole stash follow it. */
export function ShownMenu() {
  const dispatch = useAppDispatch();
  const pick = useAppSelector((state) => state.openJob.job?.pick) ?? EVERY_PHOTO;
  const shows = useAppSelector((state) => state.view.uses);
  const narrowed = leavesOut(pick) || shows !== "all";
  const change = (next: Partial<Pick>) => dispatch(edit({ do: "pick", change: next }));
  return (
    <Popover>
      <PopoverButton
        aria-label={narrowed ? "Sort and narrow: some photos are left out" : "Sort and narrow"}
        title="Sort and narrow"
        className={`rounded-md border p-1.5 ${narrowed ? "border-accent bg-accent-soft text-accent" : "border-edge bg-white text-ink-2"}`}
      >
        <ListFilter size={16} aria-hidden />
      </PopoverButton>
      <PopoverPanel
        focus
        anchor={{ to: "bottom start", gap: 6, padding: 12 }}
        role="dialog"
        aria-label="Sort and narrow"
        className="z-30 flex w-[280px] flex-col gap-3 rounded-xl border border-line bg-white p-3.5 shadow-xl"
      >
        <Choice label="Order" value={pick.by} onChange={(by) => change({ by: by as Pick["by"] })}>
          <option value="order">as they lie</option>
          <option value="name">by name</option>
          <option value="taken">by the time they were taken</option>
          <option value="stars">the best first</option>
        </Choice>
        <Check label="backwards" checked={pick.down} onChange={(down) => change({ down })} />
        <PickFilters />
        <Segments
          label="Whether they are in a cell"
          value={shows}
          onChange={(next: View["uses"]) => dispatch(usesShown(next))}
          choices={[
            { value: "all", text: "All" },
            { value: "used", text: "In a cell" },
            { value: "unused", text: "In none" },
          ]}
        />
        {(narrowed || pick.by !== "order" || pick.down) && (
          <button
            type="button"
            className={`${button.quiet} self-start`}
            onClick={() => {
              dispatch(edit({ do: "pick", change: EVERY_PHOTO }));
              dispatch(usesShown("all"));
            }}
          >
            Every photo, as they lie
          </button>
        )}
      </PopoverPanel>
    </Popover>
  );
}
