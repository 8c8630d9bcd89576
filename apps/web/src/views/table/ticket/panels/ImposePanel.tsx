import {
  arrange,
  imposedPages,
  LIMITS,
  PAPERS,
  placesFor,
  um,
  writeSize,
  type Impose,
  type Job,
} from "@wide-quilt/core";
import { LOCALE } from "../../../../app/preferences.ts";
import { useAppSelector } from "../../../../app/store.ts";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { LengthField } from "../../../../ui/LengthField.tsx";
import { NumberField } from "../../../../ui/NumberField.tsx";
import type { PanelProps } from "./panel.tsx";
import { SizeFields } from "./SizeFields.tsx";

const WAYS: { value: Impose["way"]; text: string; about: string }[] = [
  { value: "one", text: "A page to a sheet", about: "what is laid out is what the printer takes" },
  { value: "several", text: "Several to a sheet, cut apart", about: "cards, small prints, pairs" },
  {
    value: "spreads",
    text: "Facing pages side by side",
    about: "two pages that face each other on one sheet",
  },
];

const ORDERS: { value: Impose["order"]; text: string; about: string }[] = [
  { value: "repeat", text: "The same page in every place", about: "a sheet of each page" },
  { value: "in order", text: "One page after the other", about: "along each row" },
  {
    value: "stack",
    text: "So that cut stacks lie in order",
    about: "cut the pile, lay one stack on the next, and pages follow each other",
  },
];

const LIES: Record<Impose["lie"], string> = {
  most: "as it holds the most",
  portrait: "upright",
  landscape: "on its side",
};

const SELECT = "rounded-md border border-edge bg-white px-2 py-1.5 text-ink";

/** How pages come onto the sheets that the printer takes. */
export function ImposePanel({ job, words, change }: PanelProps) {
  const photos = useAppSelector((state) => state.openJob.photos);
  const { impose } = job;
  const set = (next: Partial<Impose>, gesture?: string) => change({ do: "impose", change: next }, gesture);
  const pages = arrange(job, photos).map(({ trim }) => trim);
  const page = pages[0] ?? job.sheet.paper;
  const choose = (way: Impose["way"]) =>
    set(way === "spreads" && impose.way !== "spreads" ? { way, paper: spreadOf(page) } : { way });
  const sheets = imposedPages(impose, pages, job.sheet, job.sheet.facing ?? "right");
  const holds = placesFor(impose, page, job.sheet.printer.unprintable)?.places.length ?? 0;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList label="Pages to a sheet" value={impose.way} onChange={choose} choices={WAYS} />
      {impose.way !== "one" && (
        <div className="flex flex-col gap-2.5 border-t border-line pt-3">
          <div className="grid grid-cols-2 gap-2">
            <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
              Paper that the printer takes
              <select
                className={SELECT}
                value={PAPERS.find(({ name }) => name === impose.paper.name)?.id ?? ""}
                onChange={({ target }) => {
                  const paper = PAPERS.find(({ id }) => id === target.value);
                  if (paper) set({ paper: { name: paper.name, width: paper.width, height: paper.height } });
                }}
              >
                <option value="">{impose.paper.name}</option>
                {PAPERS.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <label className="flex flex-col gap-1 text-[12.5px] text-ink-2">
              It lies
              <select
                className={SELECT}
                value={impose.lie}
                onChange={({ target }) => set({ lie: target.value as Impose["lie"] })}
              >
                {Object.entries(LIES).map(([lie, text]) => (
                  <option key={lie} value={lie}>
                    {text}
                  </option>
                ))}
              </select>
            </label>
          </div>
          <SizeFields
            size={impose.paper}
            range={LIMITS.paper}
            words={words}
            onChange={({ width, height }, gesture) =>
              set(
                {
                  paper: {
                    name: writeSize({ width, height }, { unit: words.unit, ppi: words.ppi, locale: LOCALE }),
                    width,
                    height,
                  },
                },
                gesture,
              )
            }
          />
        </div>
      )}
      {impose.way === "several" && <Several job={job} words={words} set={set} />}
      {impose.way === "spreads" && (
        <label className="flex items-center gap-2 text-[13.5px]">
          The first page lies
          <select
            className={SELECT}
            value={job.sheet.facing ?? "right"}
            onChange={({ target }) =>
              change({ do: "sheet", change: { facing: target.value as "left" | "right" } })
            }
          >
            <option value="right">alone at the right</option>
            <option value="left">at the left, beside the second</option>
          </select>
        </label>
      )}
      {impose.way !== "one" && (
        <>
          <label className="flex items-center gap-2 text-[13.5px]">
            A PDF holds
            <select
              className={SELECT}
              value={impose.pdf}
              onChange={({ target }) => set({ pdf: target.value as Impose["pdf"] })}
            >
              <option value="sheets">the sheets as they are printed</option>
              <option value="pages">the pages by themselves</option>
            </select>
          </label>
          <p role="status" className="text-[12.5px] text-ink-2">
            {sheets.length === 0
              ? "No page fits on this paper so."
              : impose.way === "several"
                ? `A sheet holds ${holds}; ${count(pages.length, "page")} make ${count(sheets.length, "sheet")}.`
                : `${count(pages.length, "page")} make ${count(sheets.length, "sheet")}.`}
          </p>
        </>
      )}
    </div>
  );
}

const count = (number: number, what: string) => `${number} ${what}${number === 1 ? "" : "s"}`;

const spreadOf = ({ width, height }: { width: number; height: number }): Impose["paper"] => ({
  name: "Spread",
  width: um(2 * width),
  height: um(height),
});

interface SeveralProps {
  job: Job;
  words: PanelProps["words"];
  set(next: Partial<Impose>, gesture?: string): void;
}

/** How many pages there are on a sheet, in which order, and how far apart. */
function Several({ job, words, set }: SeveralProps) {
  const { impose } = job;
  const { grid } = impose;
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap gap-x-5 gap-y-1.5 text-[13.5px]">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={grid === null}
            onChange={({ target }) => set({ grid: target.checked ? null : { columns: 1, rows: 2 } })}
          />
          As many as fit
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-accent"
            checked={impose.mayTurn}
            onChange={({ target }) => set({ mayTurn: target.checked })}
          />
          Pages may lie on their side
        </label>
      </div>
      <div className="grid grid-cols-2 gap-2">
        {grid && (
          <>
            <NumberField
              label="Pages across"
              value={grid.columns}
              {...LIMITS.strips}
              whole
              onChange={(columns, g) => set({ grid: { ...grid, columns } }, g)}
            />
            <NumberField
              label="Pages down"
              value={grid.rows}
              {...LIMITS.strips}
              whole
              onChange={(rows, g) => set({ grid: { ...grid, rows } }, g)}
            />
          </>
        )}
        <LengthField
          label="Between pages"
          value={impose.gap}
          range={LIMITS.gap}
          words={words}
          onChange={(gap, g) => set({ gap }, g)}
        />
        <LengthField
          label="Kept free at the edges"
          value={impose.margin}
          range={LIMITS.margin}
          words={words}
          onChange={(margin, g) => set({ margin }, g)}
        />
      </div>
      <ChoiceList
        label="Which pages share a sheet"
        value={impose.order}
        onChange={(order) => set({ order })}
        choices={ORDERS}
      />
      <label className="flex items-center gap-2 text-[13.5px]">
        Marks to cut pages apart
        <select
          className={SELECT}
          value={impose.marks}
          onChange={({ target }) => set({ marks: target.value as Impose["marks"] })}
        >
          {["corner ticks", "crosses", "full lines", "none"].map((kind) => (
            <option key={kind}>{kind}</option>
          ))}
        </select>
      </label>
    </div>
  );
}
