import { LIMITS, mm, type Um } from "@wide-quilt/core";
import { LengthField } from "../../../../ui/LengthField.tsx";
import { LengthSlider } from "./LengthSlider.tsx";
import type { PanelProps } from "../../../../kinds/panel.tsx";

/** How far images run on past what is cut: slack of a piece, bleed of the sheet; and the zone that is kept clear. */
export function SlackPanel({ job, words, change }: PanelProps) {
  const { slack } = job.finish;
  const { safe } = job.sheet;
  const { bleed } = job.target;
  const set = (next: Um, gesture?: string) => change({ do: "finish", change: { slack: next } }, gesture);
  return (
    <div className="flex flex-col gap-2">
      <LengthField label="Slack" value={slack} range={LIMITS.slack} words={words} onChange={set} />
      <LengthSlider label="Slack, by sliding" value={slack} most={mm(5)} step={mm(0.1)} onChange={set} />
      <p className="text-[12.5px] text-ink-2">
        The photo is printed this much past the finished edge, so that an unsteady knife leaves no white. The
        finished size stays as it is.
      </p>
      <div className="mt-1 grid grid-cols-2 gap-2 border-t border-line pt-3">
        <LengthField
          label="Bleed"
          value={bleed}
          range={LIMITS.bleed}
          words={words}
          onChange={(next, gesture) => change({ do: "target", change: { bleed: next } }, gesture)}
        />
        <LengthField
          label="Safe zone"
          value={safe}
          range={LIMITS.margin}
          words={words}
          onChange={(next, gesture) => change({ do: "sheet", change: { safe: next } }, gesture)}
        />
      </div>
      <FourFigures />
      <p className="text-[12.5px] text-ink-2">
        Bleed: how far cells at the finished sheet’s edge are printed past it. Safe zone: inside that edge,
        where nothing important belongs. Both are drawn on the table; neither is printed as a line.
      </p>
    </div>
  );
}

/** Finished size, slack, gap and bleed in one small drawing. */
function FourFigures() {
  return (
    <svg
      viewBox="0 0 290 76"
      className="w-full"
      role="img"
      aria-label="Two finished pieces with slack around them and a gap between; bleed runs over the sheet’s edge"
    >
      <rect x="18" y="6" width="254" height="64" fill="#fff" stroke="#868c98" />
      <rect x="8" y="0.5" width="274" height="75" fill="none" stroke="#a8322a" strokeDasharray="4 3" />
      {[18, 158].map((x, i) => (
        <g key={x}>
          <rect x={i === 0 ? 8 : x - 6} y="12" width={i === 0 ? 118 : 90} height="52" fill="#dde1f2" />
          <rect x={x} y="18" width={i === 0 ? 102 : 78} height="40" fill="#b9c0e4" stroke="#34409c" />
        </g>
      ))}
      <g fontSize="10.5" fill="#20242c">
        <text x="42" y="42">
          finished
        </text>
        <text x="129" y="42" fill="#4a515d">
          gap
        </text>
        <text x="178" y="42">
          finished
        </text>
        <text x="238" y="62" fill="#4a515d">
          slack
        </text>
      </g>
    </svg>
  );
}
