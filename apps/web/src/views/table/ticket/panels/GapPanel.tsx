import { LIMITS, mm, type Um } from "@wide-quilt/core";
import { LengthField } from "../../../../ui/LengthField.tsx";
import { LengthSlider } from "./LengthSlider.tsx";
import { keepingArrangement } from "./kept.ts";
import type { PanelProps } from "../../../../kinds/panel.tsx";

/** The distance between finished pieces. */
export function GapPanel({ job, words, change }: PanelProps) {
  const set = (gap: Um, gesture?: string) =>
    change({ do: "ticket", change: keepingArrangement(job, { gap }) }, gesture);
  return (
    <div className="flex flex-col gap-2">
      <LengthField label="Apart" value={job.ticket.gap} range={LIMITS.gap} words={words} onChange={set} />
      <LengthSlider
        label="Apart, by sliding"
        value={job.ticket.gap}
        most={mm(20)}
        step={mm(0.5)}
        onChange={set}
      />
      <p className="text-[12.5px] text-ink-2">
        From one finished edge to the next. Without a gap one cut parts two pieces; slack needs a gap of twice
        its length.
      </p>
    </div>
  );
}
