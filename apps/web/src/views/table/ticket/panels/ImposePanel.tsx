import { LIMITS, placesFor, um, type Impose } from "@wide-quilt/core";
import { useAppSelector } from "../../../../app/hooks.ts";
import { selectPrinted, selectSheets } from "../../../../table/sheets.ts";
import { Check } from "../../../../ui/Check.tsx";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { LengthField } from "../../../../ui/LengthField.tsx";
import { NumberField } from "../../../../ui/NumberField.tsx";
import { SelectField } from "../../../../ui/SelectField.tsx";
import { FacingField } from "../../FacingField.tsx";
import { MARK_KINDS } from "./MarksPanel.tsx";
import type { PanelProps } from "../../../../kinds/panel.tsx";
import { JointFields } from "./spread/JointFields.tsx";
import { MarginField, PaperFields, type ImposeProps } from "./spread/PaperFields.tsx";
import { PanelFields } from "./spread/PanelFields.tsx";
import { SeamFields } from "./spread/SeamFields.tsx";

const WAYS: { value: Impose["way"]; text: string; about: string }[] = [
  { value: "one", text: "A page to a sheet", about: "what is laid out is what the printer takes" },
  { value: "several", text: "Several to a sheet, cut apart", about: "cards, small prints, pairs" },
  {
    value: "spreads",
    text: "Facing pages side by side",
    about: "two pages that face each other on one sheet",
  },
  {
    value: "tent",
    text: "Back to back, folded to a tent",
    about: "two pages with their heads at the fold, for the desk",
  },
  {
    value: "tiles",
    text: "Spread over several sheets",
    about: "a page larger than any sheet, put together afterwards",
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

const PDFS: { value: Impose["pdf"]; text: string }[] = [
  { value: "sheets", text: "the sheets as they are printed" },
  { value: "pages", text: "the pages by themselves" },
];

/** How pages come onto the sheets that the printer takes. */
export function ImposePanel({ job, words, change }: PanelProps) {
  const pages = useAppSelector(selectSheets);
  const sheets = useAppSelector(selectPrinted);
  const { impose } = job;
  const set = (next: Partial<Impose>, gesture?: string) => change({ do: "impose", change: next }, gesture);
  const page = pages[0]?.trim ?? job.sheet.paper;
  const choose = (way: Impose["way"]) =>
    set(way === "spreads" && impose.way !== "spreads" ? { way, paper: spreadOf(page) } : { way });
  const holds = placesFor(impose, page, job.target.printer.unprintable)?.places.length ?? 0;
  return (
    <div className="flex flex-col gap-3">
      <ChoiceList label="Pages to a sheet" value={impose.way} onChange={choose} choices={WAYS} />
      {impose.way !== "one" && (
        <div className="flex flex-col gap-2.5 border-t border-line pt-3">
          <PaperFields impose={impose} words={words} set={set} />
        </div>
      )}
      {impose.way === "one" && pages.length > 1 && (
        <Check
          label="Printed on both sides over the other edge than it hangs by: turn every second page"
          checked={impose.backs === "turned"}
          onChange={(on) => set({ backs: on ? "turned" : "upright" })}
        />
      )}
      {impose.way === "several" && <Several impose={impose} words={words} set={set} />}
      {impose.way === "tiles" && (
        <>
          <MarginField impose={impose} words={words} set={set} />
          <PanelFields impose={impose} words={words} set={set} page={pages[0]?.trim} />
          <JointFields impose={impose} words={words} set={set} />
          <SeamFields job={job} words={words} change={change} />
        </>
      )}
      {impose.way === "spreads" && <FacingField facing={job.sheet.facing ?? "right"} />}
      {impose.way !== "one" && (
        <>
          <SelectField
            label="A PDF holds"
            value={impose.pdf}
            choices={PDFS}
            onChange={(pdf) => set({ pdf })}
          />
          <p role="status" className="text-[12.5px] text-ink-2">
            {sheets.length === 0
              ? "No page fits on this paper so."
              : `${impose.way === "several" ? `A sheet holds ${holds}; ` : ""}${count(pages.length, "page")} make ${count(sheets.length, "sheet")}.`}
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

/** How many pages there are on a sheet, in which order, and how far apart. */
function Several({ impose, words, set }: ImposeProps) {
  const { grid } = impose;
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap gap-x-5 gap-y-1.5">
        <Check
          label="As many as fit"
          checked={grid === null}
          onChange={(on) => set({ grid: on ? null : { columns: 1, rows: 2 } })}
        />
        <Check
          label="Pages may lie on their side"
          checked={impose.mayTurn}
          onChange={(mayTurn) => set({ mayTurn })}
        />
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
        <MarginField impose={impose} words={words} set={set} />
      </div>
      <ChoiceList
        label="Which pages share a sheet"
        value={impose.order}
        onChange={(order) => set({ order })}
        choices={ORDERS}
      />
      <SelectField
        label="Marks to cut pages apart"
        value={impose.marks}
        choices={MARK_KINDS}
        onChange={(marks) => set({ marks })}
      />
    </div>
  );
}
