import { PAPERS, prefersLetter, spreadOnPapers, um, type OnPaper } from "@wide-quilt/core";
import { lazy, Suspense, useMemo, useState } from "react";
import { LOCALE } from "../../app/preferences.ts";
import { useAppSelector } from "../../app/hooks.ts";
import { selectLayout } from "../../table/sheets.ts";
import { Segments } from "../../ui/Segments.tsx";
import { MarginField, PaperFields } from "../../views/table/ticket/panels/spread/PaperFields.tsx";
import { moneyIn } from "../../words/words.ts";
import { panelOf } from "../panel.tsx";

type By = "sheets" | "waste" | "price" | "seams" | "meet";

const BYS: { value: By; text: string }[] = [
  { value: "sheets", text: "Sheets" },
  { value: "waste", text: "Waste" },
  { value: "price", text: "Price" },
  { value: "seams", text: "Seams" },
  { value: "meet", text: "Corners" },
];

// Charts are heavy, and most people take the first paper.
const PaperBars = lazy(async () => ({
  default: (await import("../../views/table/ticket/PaperBars.tsx")).PaperBars,
}));

/** The chart’s size in CSS pixels, and papers on it. */
const CHART = { width: 410, height: 130, most: 8 };

/** The paper of the sheets, and all papers compared, both ways to lie. */
export const SheetsPanel = panelOf("mural", ({ job, words, change }) => {
  const size = useAppSelector((state) => selectLayout(state)?.sums.size);
  const [by, setBy] = useState<By>("sheets");
  const { impose, target } = job;
  const set = (next: Partial<typeof impose>, gesture?: string) =>
    change({ do: "impose", change: next }, gesture);
  const money = moneyIn(target.printer.price.currency);
  const found = useMemo(() => {
    if (!size) return [];
    const known = PAPERS.map(({ name, width, height }) => ({ name, width, height }));
    return spreadOnPapers(job, { ...size, bleed: um(target.bleed) }, known);
  }, [job, size, target.bleed]);
  const sorted = found.toSorted((a, b) => a[by] - b[by] || a.sheets - b.sheets || a.waste - b.waste);
  const isNow = ({ paper, lie }: OnPaper) =>
    !impose.roll && paper.name === impose.paper.name && (impose.lie === lie || impose.lie === "most");
  return (
    <div className="flex flex-col gap-3">
      <PaperFields impose={impose} words={words} set={set} />
      <MarginField impose={impose} words={words} set={set} />
      {size && (
        <section className="flex flex-col gap-2 border-t border-line pt-3">
          <h3 className="text-[12.5px] text-ink-2">
            {words.size(size)} over other papers, the least first by
          </h3>
          <Segments<By> label="Compare papers by" value={by} onChange={setBy} choices={BYS} />
          <Suspense fallback={<div style={{ height: CHART.height }} />}>
            <PaperBars
              papers={sorted.slice(0, CHART.most).map((one) => ({
                name: `${one.paper.name}${one.lie === "landscape" ? " lying" : ""}`,
                value: charted(one, by),
              }))}
              measure={BYS.find(({ value }) => value === by)!.text}
              unit={by === "waste" ? " %" : ""}
              words={words}
              width={CHART.width}
              height={CHART.height}
            />
          </Suspense>
          <div className="max-h-56 overflow-y-auto" tabIndex={0} role="region" aria-label="Papers compared">
            <table className="w-full text-[12.5px]">
              <thead className="sticky top-0 bg-white text-left text-ink-2">
                <tr className="border-b border-line">
                  <th className="py-1 font-medium">Paper</th>
                  {["Sheets", "Waste", "Price", "Seams", "Corners"].map((heading) => (
                    <th key={heading} className="py-1 pl-2 text-right font-medium">
                      {heading}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {sorted.map((one) => (
                  <tr key={`${one.paper.name} ${one.lie}`} className={isNow(one) ? "bg-accent-soft" : ""}>
                    <td>
                      <button
                        type="button"
                        className="min-h-6 rounded px-1 py-0.5 text-left whitespace-nowrap text-accent hover:bg-accent-soft"
                        aria-label={`Take ${one.paper.name}, ${LIES[one.lie]}`}
                        onClick={() => set({ roll: false, paper: one.paper, lie: one.lie })}
                      >
                        {one.paper.name}, {LIES[one.lie]}
                      </button>
                    </td>
                    <td className="measure pl-2 text-right whitespace-nowrap">{one.sheets}</td>
                    <td className="measure pl-2 text-right whitespace-nowrap">{words.percent(one.waste)}</td>
                    <td className="measure pl-2 text-right whitespace-nowrap">{money(one.price)}</td>
                    <td className="measure pl-2 text-right whitespace-nowrap">
                      {words.number(one.seams / SEAM_UNIT, 1, 1)}
                    </td>
                    <td className="measure pl-2 text-right whitespace-nowrap">{one.meet}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <p className="text-[12px] text-ink-3">
            Seams: their length in {IN_FEET ? "feet" : "metres"}. Corners: places where four sheets meet.
          </p>
        </section>
      )}
    </div>
  );
});

const LIES = { portrait: "upright", landscape: "on its side" } as const;
const IN_FEET = prefersLetter(LOCALE);
const SEAM_UNIT = IN_FEET ? 304_800 : 1_000_000;

/** A figure as the chart has it: shares in percent, lengths of seams as in the table. */
const charted = (one: OnPaper, by: By): number =>
  by === "waste" ? one.waste * 100 : by === "seams" ? one.seams / SEAM_UNIT : one[by];
