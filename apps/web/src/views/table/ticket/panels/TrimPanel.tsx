import { LIMITS, um, type Job, type Size } from "@wide-quilt/core";
import { SizeFields } from "./SizeFields.tsx";
import type { PanelProps } from "../../../../kinds/panel.tsx";

/** The finished sheet, where it is smaller than its paper. */
export function TrimPanel({ job, words, change }: PanelProps) {
  const { trim } = job.sheet;
  const set = (next: Size | null, gesture?: string) =>
    change({ do: "sheet", change: { trim: next } }, gesture);
  return (
    <div className="flex flex-col gap-2.5">
      <label className="flex items-center gap-2 text-[13.5px]">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={trim !== null}
          onChange={(event) => set(event.target.checked ? lessThan(job.sheet.paper) : null)}
        />
        The finished sheet is smaller than its paper
      </label>
      {trim && <SizeFields size={trim} range={LIMITS.trim} words={words} onChange={set} />}
      {trim && (
        <p className="text-[12.5px] text-ink-2">
          As it lies, in the middle of the paper. Margins are measured from its edge, and marks show where to
          cut it.
        </p>
      )}
    </div>
  );
}

/** A finished sheet to begin with: a centimetre off every side. */
const lessThan = ({ width, height }: Job["sheet"]["paper"]): Size => ({
  width: um(Math.max(LIMITS.trim.least, width - 20_000)),
  height: um(Math.max(LIMITS.trim.least, height - 20_000)),
});
