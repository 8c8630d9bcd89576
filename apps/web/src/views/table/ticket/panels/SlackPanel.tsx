import { LIMITS, mm, type Um } from "@wide-quilt/core";
import { LengthField } from "../../../../ui/LengthField.tsx";
import { LengthSlider } from "./LengthSlider.tsx";
import type { PanelProps } from "./panel.ts";

/** How far the image runs on past the finished size. */
export function SlackPanel({ job, words, change }: PanelProps) {
  const { slack } = job.finish;
  const set = (next: Um, gesture?: string) => change({ do: "finish", change: { slack: next } }, gesture);
  return (
    <div className="flex flex-col gap-2">
      <LengthField label="Slack" value={slack} range={LIMITS.slack} words={words} onChange={set} />
      <LengthSlider label="Slack, by sliding" value={slack} most={mm(5)} step={mm(0.1)} onChange={set} />
      <p className="text-[12.5px] text-ink-2">
        The photo is printed this much past the finished edge, so that an unsteady knife leaves no white. The
        finished size stays as it is.
      </p>
    </div>
  );
}
