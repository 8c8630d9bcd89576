import { LIMITS, mm, type Um } from "@wide-quilt/core";
import { LengthField } from "../../ui/LengthField.tsx";
import { LengthSlider } from "../../views/table/ticket/panels/LengthSlider.tsx";
import { panelOf } from "../panel.tsx";

/** How far photos run on under the artwork. */
export const UnderPanel = panelOf("artwork", ({ ticket, words, set }) => {
  const put = (under: Um, gesture?: string) => set({ under }, gesture);
  return (
    <div className="flex flex-col gap-2">
      <LengthField label="Under it" value={ticket.under} range={LIMITS.slack} words={words} onChange={put} />
      <LengthSlider
        label="Under it, by sliding"
        value={ticket.under}
        most={mm(5)}
        step={mm(0.1)}
        onChange={put}
      />
      <p className="text-[12.5px] text-ink-2">
        Photos are printed so far past the edge of their window, and past all of a soft edge, so that no paper
        shows between them and the artwork. Where windows are close, each stays on its side.
      </p>
    </div>
  );
});
