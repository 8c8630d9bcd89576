import { kindOf, layOut, LIMITS, PAPERS, type Job, type Paper, type Size } from "@wide-quilt/core";
import { ChartColumn } from "lucide-react";
import { useState } from "react";
import { useAppDispatch } from "../../../../app/hooks.ts";
import { comparing } from "../../../../table/view.ts";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { SearchField } from "../../../../ui/SearchField.tsx";
import { button } from "../../../../ui/button.ts";
import { SizeFields } from "./SizeFields.tsx";
import { TrimPanel } from "./TrimPanel.tsx";
import type { PanelProps } from "../../../../kinds/panel.tsx";
import { typedPaper } from "./typedPaper.ts";

type SheetPaper = Job["sheet"]["paper"];

const GROUPS = [...new Set(PAPERS.map(({ group }) => group))];

/** Paper upright, as a job keeps it. */
const kept = ({ name, width, height }: SheetPaper): SheetPaper => ({ name, width, height });

const same = (a: SheetPaper | null, b: SheetPaper | null) =>
  a !== null && b !== null && a.width === b.width && a.height === b.height && a.name === b.name;

/** The paper: one that can be bought, or an own size. Changing it late costs nothing. */
export function PaperPanel({ job, words, change }: PanelProps) {
  const [search, setSearch] = useState("");
  const dispatch = useAppDispatch();
  const { paper } = job.sheet;
  const set = (next: SheetPaper, gesture?: string) =>
    change({ do: "sheet", change: { paper: next } }, gesture);
  const setSize = (size: Size, gesture?: string) => set(typedPaper(size, words), gesture);
  const wanted = search.trim().toLowerCase();
  const found = PAPERS.filter(
    ({ name, alias }) => wanted === "" || `${name} ${alias ?? ""}`.toLowerCase().includes(wanted),
  );
  return (
    <div className="flex flex-col gap-3">
      <SizeFields size={paper} range={LIMITS.paper} words={words} onChange={setSize} />
      <SearchField
        label="Search papers"
        placeholder="Search: A4, 10 × 15, letter …"
        value={search}
        onChange={setSearch}
      />
      <div className="max-h-64 overflow-y-auto">
        {GROUPS.map((group) => {
          const papers = found.filter((one) => one.group === group);
          return papers.length === 0 ? null : (
            <section key={group}>
              <h3 className="mt-2 mb-1 px-2 text-[12px] text-ink-3">{group}</h3>
              <ChoiceList
                label={group}
                by={same}
                value={paper}
                onChange={set}
                choices={papers.map((one) => choiceOf(one, job))}
              />
            </section>
          );
        })}
        {found.length === 0 && (
          <p className="px-2 py-3 text-[13px] text-ink-2">No paper of that name. Type its size above.</p>
        )}
      </div>
      <div className="flex flex-col gap-3 border-t border-line pt-3">
        <button type="button" className={button.plain} onClick={() => dispatch(comparing(true))}>
          <ChartColumn size={15} aria-hidden /> Compare papers by sheets, waste and price
        </button>
        <TrimPanel job={job} words={words} change={change} />
      </div>
    </div>
  );
}

function choiceOf(paper: Paper, job: Job) {
  const fits = kindOf(job).pieceSize(job)
    ? `fits ${layOut({ ...job, sheet: { ...job.sheet, paper: kept(paper) } }, {}).sums.mostPerSheet}`
    : undefined;
  return {
    value: kept(paper),
    text: (
      <>
        <span className="measure">{paper.name}</span>
        {paper.alias && (
          <span className="measure ml-2 text-[12px] font-normal text-ink-2">{paper.alias}</span>
        )}
      </>
    ),
    aside: fits,
  };
}
