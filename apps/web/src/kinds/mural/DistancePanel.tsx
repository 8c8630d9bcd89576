import { LIMITS, ppiSeenFrom } from "@wide-quilt/core";
import { useAppSelector } from "../../app/hooks.ts";
import { selectSheets } from "../../table/sheets.ts";
import { LengthField } from "../../ui/LengthField.tsx";
import { panelOf } from "../panel.tsx";

/** From how far the picture is looked at, and how many pixels that takes. */
export const DistancePanel = panelOf("mural", ({ ticket, words, set }) => {
  const cell = useAppSelector((state) => selectSheets(state)[0]?.cells[0]);
  const needed = ppiSeenFrom(ticket.distance);
  const ppi = cell?.picture?.ppi;
  return (
    <div className="flex flex-col gap-3">
      <LengthField
        label="From how far it is looked at"
        value={ticket.distance}
        range={LIMITS.sight}
        words={words}
        onChange={(distance, g) => set({ distance }, g)}
      />
      <p role="status" className="text-[12.5px] text-ink-2">
        From there nobody tells pixels apart from {words.number(Math.ceil(needed))} ppi on.
        {ppi !== undefined &&
          ` The photo has ${words.number(ppi)} ppi at this size: ${ppi >= needed ? "sharp enough." : "it will look soft."}`}
      </p>
      <p className="text-[12.5px] text-ink-2">
        An eye of full acuity tells one minute of arc apart (ISO 8596): 25.4 mm ÷ (distance × tan 1′).
      </p>
    </div>
  );
});
