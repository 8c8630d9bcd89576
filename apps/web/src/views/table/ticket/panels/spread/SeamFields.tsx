import { seamsOf, shiftWithin, um, type Tiles } from "@wide-quilt/core";
import { useAppSelector } from "../../../../../app/hooks.ts";
import { selectSheets } from "../../../../../table/sheets.ts";
import { button } from "../../../../../ui/button.ts";
import { LengthField } from "../../../../../ui/LengthField.tsx";
import type { PanelProps } from "../../../../../kinds/panel.tsx";

/** Where the seams fall, and the place where they harm least. */
export function SeamFields({ job, words, change }: PanelProps) {
  const pages = useAppSelector(selectSheets);
  const photos = useAppSelector((state) => state.openJob.photos);
  const { tiles } = job.impose;
  const set = (shift: Partial<Tiles["shift"]>, gesture?: string) =>
    change({ do: "impose", change: { tiles: { ...tiles, shift: { ...tiles.shift, ...shift } } } }, gesture);
  // Pages of a job are spread alike: where there are several, the first one is looked at.
  const [first] = seamsOf(job, photos, pages.slice(0, 1));
  if (!first) return <p className="text-[13px] text-ink-2">There is no page to be spread yet.</p>;
  const { across, down } = first;
  // What is best for one panel is not for another: of several, seams are moved by hand alone.
  const isBest =
    !first.isAll ||
    (across.best.shift === shiftWithin(across.shifts, tiles.shift.across) &&
      down.best.shift === shiftWithin(down.shifts, tiles.shift.down));
  return (
    <div className="flex flex-col gap-3">
      <p className="text-[12.5px] text-ink-2">
        All seams are moved together, as far as sheets have room. A head that none can go around is told in
        “To check”.
      </p>
      <div className="grid grid-cols-2 gap-2">
        <LengthField
          label="Upright seams to the left"
          value={shiftWithin(across.shifts, tiles.shift.across)}
          range={across.shifts}
          words={words}
          onChange={(to, g) => set({ across: to }, g)}
        />
        <LengthField
          label="Level seams up"
          value={shiftWithin(down.shifts, tiles.shift.down)}
          range={down.shifts}
          words={words}
          onChange={(to, g) => set({ down: to }, g)}
        />
      </div>
      <p role="status" className="text-[12.5px] text-ink-2">
        {first.isAll
          ? `${sayHeads(across.cost.heads + down.cost.heads)}${isBest ? " No other place harms less." : ""}`
          : "Seams of all panels are moved alike. A head that one goes through is told in “To check”."}
      </p>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className={button.plain}
          disabled={isBest}
          onClick={() => set({ across: across.best.shift, down: down.best.shift })}
        >
          Move seams where they harm least
        </button>
        <button
          type="button"
          className={button.plain}
          disabled={tiles.shift.across === 0 && tiles.shift.down === 0}
          onClick={() => set({ across: um(0), down: um(0) })}
        >
          Let them fall by themselves
        </button>
      </div>
    </div>
  );
}

const sayHeads = (heads: number) =>
  heads === 0
    ? "No seam goes through a head."
    : `${heads === 1 ? "One seam goes" : `${heads} times a seam goes`} through a head.`;
