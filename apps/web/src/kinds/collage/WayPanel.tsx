import { arrange, LIMITS, type Job, type SheetPlan, type TicketOf } from "@wide-quilt/core";
import { Minus, Plus, Shuffle } from "lucide-react";
import { useEffect, useState } from "react";
import { address } from "../../api/client.ts";
import { useAppSelector } from "../../app/hooks.ts";
import { SheetPicture } from "../../sheet/SheetPicture.tsx";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { button } from "../../ui/button.ts";
import { AddOrRemove } from "../AddOrRemove.tsx";
import { panelOf, type KindPanelProps } from "../panel.tsx";

type Props = KindPanelProps<"collage">;

const WAYS: { value: TicketOf<"collage">["way"]; text: string; about: string }[] = [
  {
    value: "whole",
    text: "Nothing cropped",
    about: "cells have the photos’ own proportions and fill the sheet",
  },
  { value: "lines", text: "Filled rows or columns", about: "all of one height, as wide as the photos want" },
  { value: "counts", text: "Rows by counts", about: "sizes worked out from how many stand in each row" },
  { value: "grid", text: "An equal grid", about: "columns by rows, all cells the same" },
];

/** How the sheet is divided. */
export const WayPanel = panelOf("collage", (props) => {
  const { ticket, set } = props;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList
        label="How the sheet is divided"
        value={ticket.way}
        onChange={(way) => set({ way })}
        choices={WAYS}
      />
      <div className="border-t border-line pt-3">
        {ticket.way === "whole" && <Proposals {...props} />}
        {ticket.way === "lines" && <Lines {...props} />}
        {ticket.way === "counts" && <Counts {...props} />}
        {ticket.way === "grid" && <Grid {...props} />}
      </div>
      {(ticket.way === "counts" || ticket.way === "grid") && (
        <label className="flex items-center gap-2 text-[13.5px]">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={ticket.sheets === "all"}
            onChange={({ target }) => set({ sheets: target.checked ? "all" : "one" })}
          />
          As many sheets as the photos fill
        </label>
      )}
    </div>
  );
});

/** Proposals shown at a time. */
const SHOWN = 4;

/** Several ways to divide the sheet with nothing cropped, to leaf through. */
function Proposals({ job, ticket, set, words }: Props) {
  const [from, setFrom] = useState(0);
  const photos = useAppSelector((state) => state.openJob.photos);
  const found = useProposals(job, from, photos);
  return (
    <div className="flex flex-col gap-2.5">
      <ul aria-label="Proposals" className="grid grid-cols-4 gap-2">
        {Array.from({ length: SHOWN }, (_, i) => from + i).map((proposal) => {
          const one = found.get(proposal);
          const chosen = ticket.proposal === proposal;
          return (
            <li key={proposal}>
              <button
                type="button"
                aria-pressed={chosen}
                aria-label={`Proposal ${proposal + 1}${one?.crop === undefined ? "" : `, crops ${words.percent(one.crop)}`}`}
                disabled={!one?.sheet}
                className={`flex h-[88px] w-full items-center justify-center rounded-md bg-table p-1.5 ${chosen ? "outline-2 outline-accent" : ""}`}
                onClick={() => set({ proposal, arrangement: null })}
              >
                {one?.sheet && (
                  <SheetPicture
                    plan={one.sheet}
                    photo={(id) => address.preview(id, 320)}
                    className="max-h-full max-w-full"
                  />
                )}
              </button>
              <p className="measure mt-0.5 text-center text-[11px] text-ink-2">
                {one?.crop === undefined
                  ? "…"
                  : one.crop < 0.0005
                    ? "crops nothing"
                    : `crops ${words.number(one.crop * 100, 1, 1)}\u00a0%`}
              </p>
            </li>
          );
        })}
      </ul>
      <button type="button" className={button.plain} onClick={() => setFrom(from + SHOWN)}>
        <Shuffle size={14} aria-hidden /> Other proposals
      </button>
      <p className="text-[12.5px] text-ink-2">
        Where no arrangement is exact, every photo is cropped by the same small share.
      </p>
    </div>
  );
}

interface Proposal {
  sheet: SheetPlan | undefined;
  crop: number | undefined;
}

/** Works proposals out one after the other, so that the page goes on answering. */
function useProposals(
  job: Job,
  from: number,
  photos: Parameters<typeof arrange>[1],
): ReadonlyMap<number, Proposal> {
  const [found, setFound] = useState<ReadonlyMap<number, Proposal>>(new Map());
  const { ticket, sheet, stash } = job;
  useEffect(() => {
    let stopped = false;
    const next = (proposal: number) => {
      if (stopped || proposal >= from + SHOWN) return;
      const tried = { ...job, ticket: { ...job.ticket, proposal, arrangement: null } as Job["ticket"] };
      const [first] = arrange(tried, photos);
      const losses = first?.cells.flatMap(({ picture }) => picture?.loss ?? []) ?? [];
      const crop = losses.length === 0 ? undefined : Math.max(...losses);
      setFound((before) => new Map(before).set(proposal, { sheet: first, crop }));
      setTimeout(() => next(proposal + 1));
    };
    setTimeout(() => next(from));
    return () => {
      stopped = true;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only these parts of the job decide a proposal
  }, [from, ticket.gap, "border" in ticket ? ticket.border : 0, sheet, stash, photos]);
  return found;
}

function AlongChoice({ ticket, set }: Props) {
  return (
    <Segments
      label="Rows or columns"
      value={ticket.along}
      onChange={(along) => set({ along })}
      choices={[
        { value: "rows", text: "Rows" },
        { value: "columns", text: "Columns" },
      ]}
    />
  );
}

function Lines(props: Props) {
  const { ticket, set } = props;
  return (
    <div className="flex flex-col gap-3">
      <AlongChoice {...props} />
      <label className="flex items-center gap-2 text-[13.5px]">
        <input
          type="checkbox"
          className="size-4 accent-accent"
          checked={ticket.lines === null}
          onChange={({ target }) => set({ lines: target.checked ? null : 3 })}
        />
        As many as crop least
      </label>
      {ticket.lines !== null && (
        <NumberField
          label={ticket.along === "rows" ? "Rows" : "Columns"}
          value={ticket.lines}
          least={LIMITS.strips.least}
          most={LIMITS.strips.most}
          whole
          onChange={(lines, gesture) => set({ lines }, gesture)}
        />
      )}
    </div>
  );
}

function Counts(props: Props) {
  const { ticket, set } = props;
  const { counts, along } = ticket;
  const one = along === "rows" ? "row" : "column";
  const put = (index: number, count: number) =>
    set({
      counts: counts.map((own, i) =>
        i === index ? Math.min(Math.max(count, LIMITS.strips.least), LIMITS.strips.most) : own,
      ),
    });
  return (
    <div className="flex flex-col gap-3">
      <AlongChoice {...props} />
      <ol className="flex max-h-56 flex-col gap-1 overflow-y-auto">
        {counts.map((count, i) => (
          <li key={i} className="flex items-center gap-1.5 text-[13px]">
            <span className="w-20 text-ink-2">
              {one} {i + 1}
            </span>
            <button
              type="button"
              aria-label={`Fewer in ${one} ${i + 1}`}
              className={STEP}
              onClick={() => put(i, count - 1)}
            >
              <Minus size={13} aria-hidden />
            </button>
            <span className="measure w-8 text-center" aria-label={`Cells in ${one} ${i + 1}`}>
              {count}
            </span>
            <button
              type="button"
              aria-label={`More in ${one} ${i + 1}`}
              className={STEP}
              onClick={() => put(i, count + 1)}
            >
              <Plus size={13} aria-hidden />
            </button>
            <span aria-hidden className="ml-2 flex h-4 grow gap-0.5">
              {Array.from({ length: Math.min(count, 12) }, (_, k) => (
                <span key={k} className="h-full flex-1 rounded-[2px] bg-[#b9c0e4]" />
              ))}
            </span>
          </li>
        ))}
      </ol>
      <AddOrRemove
        one={one}
        mayAdd={counts.length < LIMITS.strips.most}
        mayRemove={counts.length > 1}
        onAdd={() => set({ counts: [...counts, counts.at(-1) ?? 2] })}
        onRemove={() => set({ counts: counts.slice(0, -1) })}
      />
    </div>
  );
}

const STEP = "rounded-md border border-edge bg-white p-1.5 hover:border-accent hover:text-accent";

function Grid({ ticket, set }: Props) {
  return (
    <div className="grid grid-cols-2 gap-2">
      {(["columns", "rows"] as const).map((part) => (
        <NumberField
          key={part}
          label={part === "columns" ? "Columns" : "Rows"}
          value={ticket[part]}
          least={LIMITS.strips.least}
          most={LIMITS.strips.most}
          whole
          onChange={(count, gesture) => set({ [part]: count }, gesture)}
        />
      ))}
    </div>
  );
}
