import {
  arrange,
  inkOfPieces,
  inkOnPieces,
  kindOf,
  layOut,
  PAPERS,
  sums,
  type Job,
  type SheetPlan,
} from "@wide-quilt/core";
import { useEffect, useMemo, useState } from "react";
import { useAppDispatch, useAppSelector } from "../../../app/hooks.ts";
import { useProof } from "../../../proofing/useProof.ts";
import { edit } from "../../../table/edits.ts";
import { selectJob, selectSheets } from "../../../table/sheets.ts";
import { comparing } from "../../../table/view.ts";
import { OverPage } from "../../../ui/OverPage.tsx";
import { Segments } from "../../../ui/Segments.tsx";
import { moneyIn, useWords } from "../../../words/words.ts";
import { PaperBars } from "./PaperBars.tsx";

type SheetPaper = Job["sheet"]["paper"];

/** What a job comes to on one paper. */
interface OnPaper {
  paper: SheetPaper;
  sheets: number;
  pieces: number;
  /** Share of the paper that is not finished pieces, 0…1. */
  waste: number;
  paperPrice: number;
  /** What the ink costs where one ink covers all pieces. */
  inkWhereCovered: number;
  /** Whether all pieces that are asked for are on the sheets. */
  whole: boolean;
}

type Measure = "total" | "perPiece" | "waste" | "sheets";

/** The same job on every paper, side by side: sheets, waste and price, as a chart and a table. */
export function ComparePapers() {
  const job = useAppSelector(selectJob);
  return job && <Comparison job={job} />;
}

function Comparison({ job }: { job: Job }) {
  const dispatch = useAppDispatch();
  const close = () => dispatch(comparing(false));
  const words = useWords(job.target.ppi);
  // Where each paper takes as many as fit on it, only the price of a piece can be compared.
  const price: Measure = kindOf(job).takesWhatFits(job) ? "perPiece" : "total";
  const [measure, setMeasure] = useState<Measure>(price);
  const money = moneyIn(job.target.printer.price.currency);
  const ink = useInk(job);
  const found = useComparison(job);
  const fitting = useMemo(
    () =>
      found
        .filter(({ sheets, whole }) => sheets > 0 && whole)
        .map((one) => priced(one, ink.onPieces ?? 0))
        .sort((a, b) => a[measure] - b[measure]),
    [found, measure, ink.onPieces],
  );
  const shown = fitting.slice(0, 12);
  return (
    <OverPage title="Papers compared" open onClose={close} wide>
      <div className="mb-3 flex items-center justify-between gap-4">
        <p className="text-[13px] text-ink-2">
          This ticket on {fitting.length} papers
          {found.length < PAPERS.length && ` (${found.length} of ${PAPERS.length} worked out)`}. Prices are of
          paper
          {ink.said}.
        </p>
        <div className="w-72">
          <Segments<Measure>
            label="Compare by"
            value={measure}
            onChange={setMeasure}
            choices={[
              { value: price, text: NAMES[price] },
              { value: "waste", text: "Waste" },
              { value: "sheets", text: "Sheets" },
            ]}
          />
        </div>
      </div>
      <PaperBars
        papers={shown.map((one) => ({
          name: one.paper.name,
          value: measure === "waste" ? one.waste * 100 : one[measure],
        }))}
        measure={NAMES[measure]}
        unit={measure === "waste" ? " %" : ""}
        words={words}
        width={760}
        height={210}
      />
      <div
        className="mt-3 max-h-64 overflow-y-auto"
        tabIndex={0}
        role="region"
        aria-label="Papers, as a table"
      >
        <table className="w-full text-[13px]">
          <thead className="sticky top-0 bg-white text-left text-[12px] text-ink-2">
            <tr className="border-b border-line">
              <th className="py-1.5 font-medium">Paper</th>
              {["Sheets", "Pieces", "Waste", "Price", "A piece"].map((heading) => (
                <th key={heading} className="py-1.5 text-right font-medium">
                  {heading}
                </th>
              ))}
              <th>
                <span className="sr-only">Take it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {fitting.map(({ paper, sheets, pieces, waste, total, perPiece }) => (
              <tr key={paper.name} className={paper.name === job.sheet.paper.name ? "bg-accent-soft" : ""}>
                <td className="measure py-1 pl-1">{paper.name}</td>
                <td className="measure text-right">{sheets}</td>
                <td className="measure text-right">{pieces}</td>
                <td className="measure text-right">{words.percent(waste)}</td>
                <td className="measure text-right">{money(total)}</td>
                <td className="measure text-right">{money(perPiece, "piece")}</td>
                <td className="text-right">
                  <button
                    type="button"
                    className="rounded px-2 py-0.5 font-semibold text-accent hover:bg-accent-soft"
                    onClick={() => {
                      dispatch(edit({ do: "sheet", change: { paper } }));
                      close();
                    }}
                  >
                    Take<span className="sr-only"> {paper.name}</span>
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </OverPage>
  );
}

const NAMES: Record<Measure, string> = {
  total: "Price",
  perPiece: "Price a piece",
  waste: "Waste, %",
  sheets: "Sheets",
};

/** Works the papers out one after the other, so that the page goes on answering. */
function useComparison(job: Job): readonly OnPaper[] {
  const photos = useAppSelector((state) => state.openJob.photos);
  const [found, setFound] = useState<readonly OnPaper[]>([]);
  useEffect(() => {
    let stopped = false;
    const next = (index: number) => {
      const known = PAPERS[index];
      if (stopped || !known) return;
      const paper = { name: known.name, width: known.width, height: known.height };
      const ticket = kindOf(job).onOnePaper(job);
      const tried: Job = { ...job, ticket, sheet: { ...job.sheet, paper } };
      const one = comparison(tried, paper, photos);
      setFound((before) => [...before.slice(0, index), one]);
      setTimeout(() => next(index + 1));
    };
    setTimeout(() => next(0));
    return () => {
      stopped = true;
    };
  }, [job, photos]);
  return found;
}

/** How much ink the pieces take, measured on the first sheet as it is now, and what is to be said of it. */
function useInk(job: Job): { onPieces: number | null; said: string } {
  const [first] = useAppSelector(selectSheets) as [SheetPlan?];
  const { id, version } = useAppSelector(({ openJob }) => openJob);
  const asks = job.target.printer.price.ink > 0 && first !== undefined;
  const { shown, failure } = useProof(id ?? "", asks ? { sheet: 1, wide: true } : null, version);
  if (!asks) return { onPieces: null, said: "" };
  if (failure !== null) return { onPieces: null, said: "; ink could not be measured" };
  const coverage = shown?.coverage ?? null;
  return coverage === null
    ? { onPieces: null, said: "; ink is being measured …" }
    : { onPieces: inkOnPieces(first, coverage), said: " and of ink, about" };
}

function comparison(job: Job, paper: SheetPaper, photos: Parameters<typeof arrange>[1]): OnPaper {
  const layout = layOut(job, photos);
  const sheets = arrange(job, photos, layout);
  const { used, price } = sums(job, photos, sheets, layout);
  return {
    paper,
    sheets: sheets.length,
    pieces: sheets.reduce((sum, { cells }) => sum + cells.length, 0),
    waste: Math.max(0, 1 - used),
    paperPrice: price.total,
    inkWhereCovered: inkOfPieces(job.target.printer.price, sheets, 1),
    whole: (layout.sums.tooLarge ?? 0) === 0,
  };
}

/** The same with what it comes to, where pieces take so much ink. */
function priced(one: OnPaper, ink: number) {
  const total = one.paperPrice + one.inkWhereCovered * ink;
  return { ...one, total, perPiece: one.pieces === 0 ? 0 : total / one.pieces };
}
