import { LIMITS, mm } from "@wide-quilt/core";
import { LengthField } from "../../ui/LengthField.tsx";
import { LengthSlider } from "../../views/table/ticket/panels/LengthSlider.tsx";
import { panelOf } from "../panel.tsx";

/** How far a cut may go astray. */
export const KnifePanel = panelOf("strips", ({ job, words, change }) => (
  <div className="flex flex-col gap-2">
    <LengthField
      label="Off by"
      value={job.sheet.safe}
      range={LIMITS.margin}
      words={words}
      onChange={(safe, gesture) => change({ do: "sheet", change: { safe } }, gesture)}
    />
    <LengthSlider
      label="Off by, by sliding"
      value={job.sheet.safe}
      most={mm(5)}
      step={mm(0.1)}
      onChange={(safe, gesture) => change({ do: "sheet", change: { safe } }, gesture)}
    />
    <p className="text-[12.5px] text-ink-2">
      A printer’s own cutter or a hand may cut so far beside the line. Shots nearer to the cut are told; what
      is behind them runs through.
    </p>
  </div>
));
