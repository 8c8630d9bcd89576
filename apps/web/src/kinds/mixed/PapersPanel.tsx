import { LIMITS, paperPrice, PAPERS, type Job } from "@wide-quilt/core";
import { Plus, X } from "lucide-react";
import { NumberField } from "../../ui/NumberField.tsx";
import { PaperPanel } from "../../views/table/ticket/panels/PaperPanel.tsx";
import { panelOf } from "../panel.tsx";

type SheetPaper = Job["sheet"]["paper"];

/** The papers that sheets may be of, each with its price. */
export const PapersPanel = panelOf("mixed", (props) => {
  const { job, ticket, words, set, change } = props;
  const papers = [job.sheet.paper, ...ticket.papers];
  const put = (index: number, paper: SheetPaper, gesture?: string) =>
    index === 0
      ? change({ do: "sheet", change: { paper } }, gesture)
      : set({ papers: ticket.papers.map((own, i) => (i === index - 1 ? paper : own)) }, gesture);
  const others = PAPERS.filter(({ name }) => !papers.some((paper) => paper.name === name));
  return (
    <div className="flex flex-col gap-3">
      <ul className="flex flex-col gap-2">
        {papers.map((paper, index) => (
          <li key={index} className="flex items-end gap-2">
            <span className="grow pb-1.5">
              <b className="measure font-medium">{paper.name}</b>
              <span className="measure ml-2 text-[12px] text-ink-2">{words.size(paper)}</span>
            </span>
            <span className="w-24">
              <NumberField
                label={`Price of ${paper.name}`}
                value={Math.round(paperPrice(job, paper) * 100) / 100}
                least={0}
                most={100_000}
                onChange={(price, gesture) => put(index, { ...paper, price }, gesture)}
              />
            </span>
            <button
              type="button"
              aria-label={`Do without ${paper.name}`}
              disabled={index === 0}
              className="mb-1.5 rounded p-1 text-ink-3 hover:text-wrong disabled:invisible"
              onClick={() => set({ papers: ticket.papers.filter((_, i) => i !== index - 1) })}
            >
              <X size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {ticket.papers.length < LIMITS.papers && (
        <label className="flex items-center gap-2 text-[13px] text-ink-2">
          <Plus size={15} aria-hidden /> Also
          <select
            className="grow rounded-md border border-edge bg-white px-2 py-1.5"
            value=""
            onChange={({ target }) => {
              const paper = PAPERS.find(({ id }) => id === target.value);
              if (paper)
                set({
                  papers: [...ticket.papers, { name: paper.name, width: paper.width, height: paper.height }],
                });
            }}
          >
            <option value="">another paper …</option>
            {others.map(({ id, name, alias }) => (
              <option key={id} value={id}>
                {alias ? `${name} (${alias})` : name}
              </option>
            ))}
          </select>
        </label>
      )}
      <details className="border-t border-line pt-2">
        <summary className="py-1 text-[13px] font-semibold text-accent">Change the first paper</summary>
        <div className="pt-2">
          <PaperPanel {...props} />
        </div>
      </details>
    </div>
  );
});
