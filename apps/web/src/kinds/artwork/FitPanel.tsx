import { artBox, FITS, waysToLie, wantedPixels, widenedBy, type Fit } from "@wide-quilt/core";
import { server } from "../../api/client.ts";
import { sentenceOf } from "../../api/problem.ts";
import { useAppDispatch } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { NumberField } from "../../ui/NumberField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { button } from "../../ui/button.ts";
import { panelOf } from "../panel.tsx";
import { lacking } from "./bringIn.ts";

export const FIT_NAMES: Record<Fit, string> = {
  fill: "Cover the page",
  whole: "Seen whole",
  stretch: "Stretched",
};

/** How the artwork takes the size of its page, in pixels on both sides. */
export const FitPanel = panelOf("artwork", ({ job, ticket, words, set }) => {
  const dispatch = useAppDispatch();
  const { art, windows } = ticket;
  const lying = waysToLie(job.sheet, job.sheet.paper)[0]!;
  const wanted = wantedPixels(artBox(job, lying), job.target.ppi);
  const more = art && lacking(art, wanted);
  const widen = async () => {
    if (!art || !more) return;
    try {
      const { id } = await server.widenGraphic(art.file, art.name, more);
      set(widenedBy({ art, windows }, { file: id, ...more }));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
  const pixels = ({ width, height }: { width: number; height: number }) =>
    `${words.number(width)}\u00a0×\u00a0${words.number(height)}\u00a0px`;
  return (
    <div className="flex flex-col gap-3">
      <Segments
        label="How the artwork takes the page"
        value={ticket.artFit}
        onChange={(artFit) => set({ artFit })}
        choices={FITS.map((value) => ({ value, text: FIT_NAMES[value] }))}
      />
      {ticket.artFit === "stretch" && (
        <NumberField
          label="Stretched at most by, then it covers"
          value={ticket.stretch}
          least={0}
          most={100}
          unit="%"
          onChange={(stretch, gesture) => set({ stretch }, gesture)}
        />
      )}
      {art && (
        <p className="text-[12.5px] text-ink-2">
          The page{job.target.bleed > 0 && " with its bleed"} wants {pixels(wanted)} at {job.target.ppi} ppi;
          the artwork is {pixels(art)}.
        </p>
      )}
      {more && (
        <div className="flex flex-col gap-1.5 border-t border-line pt-3">
          <div>
            <button type="button" className={button.plain} onClick={() => void widen()}>
              Widen it by its edge
            </button>
          </div>
          <p className="text-[12.5px] text-ink-2">
            Its outermost pixels are repeated until it has as many as the page wants; nothing is scaled, and
            its windows stay as large as they are.
          </p>
        </div>
      )}
    </div>
  );
});
