import {
  isTrue,
  sharpFrom,
  tilingsOf,
  writeAway,
  type Edges,
  type LayoutSums,
  type Um,
} from "@wide-quilt/core";
import type { ReactNode } from "react";
import { useLaterSelector } from "../../app/later.ts";
import { useCutPlan } from "../../cutting/useCutPlan.ts";
import {
  selectJob,
  selectPrintedSheet,
  selectSheets,
  selectSums,
  selectToCheck,
} from "../../table/sheets.ts";
import { moneyIn, useWords, type Words } from "../../words/words.ts";

/** The results of the ticket in one line: nobody needs paper and pencil. */
export function SumsLine() {
  const sums = useLaterSelector(selectSums);
  const ppi = useLaterSelector((state) => state.openJob.job?.target.ppi ?? 300);
  const words = useWords(ppi);
  const prices = useLaterSelector((state) => state.openJob.job?.target.printer.price);
  const searching = useLaterSelector((state) => state.view.searching);
  const imposes = useLaterSelector((state) => selectJob(state)?.impose.way !== "one");
  const spread = useLaterSelector((state) => selectJob(state)?.impose.way === "tiles");
  const isWrong = useLaterSelector(selectToCheck).length > 0;
  if (!sums || !prices) return null;
  const money = moneyIn(prices.currency);
  const { layout, sheets, pages, pieces, used, leftOver, pixels, price } = sums;
  if (pages === 0 && !isWrong) {
    // Nobody and nothing is there yet: that is a beginning, and no fault.
    return (
      <p className="mt-1 text-[12.5px] text-ink-2">
        What it comes to stands here once something is on the sheet.
      </p>
    );
  }
  if (pages === 0) {
    return (
      <p className="mt-1 text-[12.5px] text-wrong">Not one piece fits on this paper. See what to check.</p>
    );
  }
  return (
    <dl
      aria-label="Sums"
      className="measure mt-1 flex flex-wrap gap-x-[18px] gap-y-0.5 text-[12.5px] text-ink-2"
    >
      {!imposes && <Fits sums={layout} laid={pieces} />}
      {imposes && !spread && <Sum name="pages">{pages}</Sum>}
      <Sum name="sheets">
        {sheets}
        {searching && <span className="text-ink-2">, looking for fewer …</span>}
        {!searching && layout.leastSheets !== undefined && (
          <span className="text-ink-2">
            {layout.proved ? ", the fewest possible" : `, at least ${layout.leastSheets}`}
          </span>
        )}
      </Sum>
      {spread && <Spread />}
      <Sum name="paper used">{words.percent(used)}</Sum>
      {!spread && <Sum name="left over">{sayLeftOver(leftOver, words)}</Sum>}
      <Sum name="file">
        {pixels.width} × {pixels.height} px
      </Sum>
      <Cuts />
      <Sum name="about">
        {money(price.perSheet)} <span className="text-ink-2">a sheet,</span>{" "}
        {spread ? money(price.total) : money(price.perPiece, "piece")}{" "}
        <span className="text-ink-2">
          {spread ? "in all" : "a piece"}
          {prices.ink > 0 && ", before ink"}
        </span>
      </Sum>
      <Corrected />
    </dl>
  );
}

/** How the first page is put together, and from how far it looks sharp. */
function Spread() {
  const job = useLaterSelector(selectJob);
  const page = useLaterSelector((state) => selectSheets(state)[0]);
  const words = useWords();
  if (!job || !page) return null;
  const { impose, target } = job;
  const tilings = tilingsOf(impose, { ...page.trim, bleed: target.bleed }, target.printer.unprintable);
  if (!tilings) return null;
  const least = Math.min(target.ppi, ...page.cells.flatMap(({ picture }) => picture?.ppi ?? []));
  return (
    <>
      <Sum name="joints">
        {tilings.reduce((sum, { columns, rows }) => sum + (columns - 1) * rows + columns * (rows - 1), 0)}
      </Sum>
      <Sum name="sharp from">
        {writeAway(sharpFrom(least), words)} <span className="text-ink-2">away</span>
      </Sum>
    </>
  );
}

/** How many pieces there are, and how they come about. */
function Fits({
  sums: { columns, rows, perSheet, pieces, mostPerSheet, leastSheets, proved, crop },
  laid,
}: {
  sums: LayoutSums;
  laid: number;
}) {
  const words = useWords();
  const grid = columns * rows;
  if (grid === 0) {
    if (pieces === 0) return null;
    return (
      <>
        <Sum name="pieces">
          {laid}
          {proved !== undefined && leastSheets === undefined && laid === pieces && (
            <span className="text-ink-2">{proved ? ", the most there can be" : ", the most found"}</span>
          )}
        </Sum>
        {crop !== undefined && (
          <Sum name="cropped">{crop < 0.0005 ? "nothing" : `${words.number(crop * 100, 1, 1)}\u00a0%`}</Sum>
        )}
      </>
    );
  }
  return (
    <Sum name="fits">
      {columns} × {rows} = {grid}
      {perSheet < grid && <span className="text-ink-2">, {grid - perSheet} left empty</span>}
      {mostPerSheet > grid && <span className="text-ink-2"> of {mostPerSheet}</span>}
      {laid !== pieces && <span className="text-ink-2">, {laid} pieces in all</span>}
    </Sum>
  );
}

/** By how much the sheet is written otherwise, for a printer whose scale error was measured. */
function Corrected() {
  const scale = useLaterSelector((state) => selectJob(state)?.target.printer.scale);
  const words = useWords();
  if (!scale || isTrue(scale)) return null;
  const off = (value: number) =>
    `${value < 1 ? "+" : "−"}${words.number(Math.abs(1 / value - 1) * 100, 2, 2)}\u00a0%`;
  return (
    <Sum name="written">
      {off(scale.across)} <span className="text-ink-2">across,</span> {off(scale.down)}{" "}
      <span className="text-ink-2">down, for this printer</span>
    </Sum>
  );
}

/** The passes of a trimmer that free the pieces of the sheet shown, worked out when the table comes to rest. */
function Cuts() {
  const sheet = useLaterSelector(selectPrintedSheet);
  const held = useLaterSelector((state) => state.openJob.held !== null);
  const planned = useCutPlan(held ? null : (sheet ?? null));
  if (!sheet) return null;
  const { plan } = planned ?? {};
  return <Sum name="cuts">{!plan ? "…" : plan.ok ? plan.steps.length : "not possible"}</Sum>;
}

function Sum({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="flex gap-[0.6em]">
      <dt>{name}</dt>
      <dd className="text-ink">{children}</dd>
    </div>
  );
}

function sayLeftOver({ top, right, bottom, left }: Edges, words: Words): ReactNode {
  const one = (um: Um) => words.measure(um);
  // A micrometre apart is the same to every ruler: what is left over cannot always be halved exactly.
  const alike = (a: Um, b: Um) => Math.abs(a - b) <= 1;
  const sides = alike(left, right) ? `${one(left)} sides` : `${one(left)} left, ${one(right)} right`;
  const ends = alike(top, bottom) ? `${one(top)} ends` : `${one(top)} top, ${one(bottom)} bottom`;
  return `${sides}, ${ends}`;
}
