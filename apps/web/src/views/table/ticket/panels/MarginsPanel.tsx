import {
  areEven,
  arrange,
  bottom,
  evenEdges,
  LIMITS,
  NO_EDGES,
  right,
  um,
  type Edges,
  type Job,
} from "@wide-quilt/core";
import { LengthField } from "../../../../ui/LengthField.tsx";
import { button } from "../../../../ui/button.ts";
import type { PanelProps } from "../../../../kinds/panel.tsx";

const SIDES = ["top", "right", "bottom", "left"] as const;

/** Four margins, as the paper lies; uneven ones are seen, and evened in one step. */
export function MarginsPanel({ job, words, change }: PanelProps) {
  const { margins } = job.sheet;
  const { printer } = job.target;
  const set = (next: Edges, gesture?: string) => change({ do: "sheet", change: { margins: next } }, gesture);
  const widest = um(Math.max(...SIDES.map((side) => margins[side])));
  const needed = neededBy(job);
  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-2 gap-2">
        {SIDES.map((side) => (
          <LengthField
            key={side}
            label={side[0]!.toUpperCase() + side.slice(1)}
            value={margins[side]}
            range={LIMITS.margin}
            words={words}
            onChange={(length, gesture) => set({ ...margins, [side]: length }, gesture)}
          />
        ))}
      </div>
      {!areEven(margins) && (
        <p className="flex items-center justify-between gap-2 rounded-md bg-look-soft px-2.5 py-1.5 text-[12.5px] text-look">
          The margins are uneven.
          <button type="button" className={button.look} onClick={() => set(evenEdges(widest))}>
            Even the margins
          </button>
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="button" className={button.plain} onClick={() => set(NO_EDGES)}>
          None
        </button>
        {needed && (
          <button type="button" className={button.plain} onClick={() => set(needed)}>
            What {printer.name} needs
          </button>
        )}
      </div>
    </div>
  );
}

/** The margins that keep everything inside what the printer prints and does not lose; null when it needs none. */
function neededBy(job: Job): Edges | null {
  const { paper } = job.sheet;
  const { printer } = job.target;
  const sheet = arrange(job, {})[0];
  const lying = sheet?.paper ?? paper;
  const area = sheet?.printable ?? { x: um(0), y: um(0), ...lying };
  const edges: Edges = {
    left: um(Math.max(area.x, printer.mayLose)),
    top: um(Math.max(area.y, printer.mayLose)),
    right: um(Math.max(lying.width - right(area), printer.mayLose)),
    bottom: um(Math.max(lying.height - bottom(area), printer.mayLose)),
  };
  return SIDES.some((side) => edges[side] > 0) ? edges : null;
}
