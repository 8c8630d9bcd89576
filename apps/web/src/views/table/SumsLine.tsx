import type { Edges, Um } from "@wide-quilt/core";
import type { ReactNode } from "react";
import { useAppSelector } from "../../app/store.ts";
import { selectSums } from "../../table/sheets.ts";
import { useWords, type Words } from "../../words/words.ts";

/** The results of the ticket in one line: nobody needs paper and pencil. */
export function SumsLine() {
  const sums = useAppSelector(selectSums);
  const ppi = useAppSelector((state) => state.openJob.job?.sheet.ppi ?? 300);
  const words = useWords(ppi);
  if (!sums) return null;
  const { layout, sheets, used, leftOver, pixels, cuts, price } = sums;
  if (sheets === 0) {
    return (
      <p className="mt-1 text-[12.5px] text-wrong">Not one piece fits on this paper. See what to check.</p>
    );
  }
  const grid = layout.columns * layout.rows;
  return (
    <dl
      aria-label="Sums"
      className="measure mt-1 flex flex-wrap gap-x-[18px] gap-y-0.5 text-[12.5px] text-ink-2"
    >
      <Sum name="fits">
        {layout.columns} × {layout.rows} = {grid}
        {layout.perSheet < grid && <span className="text-ink-2">, {grid - layout.perSheet} left empty</span>}
        {layout.mostPerSheet > grid && <span className="text-ink-2"> of {layout.mostPerSheet}</span>}
      </Sum>
      <Sum name="sheets">{sheets}</Sum>
      <Sum name="paper used">{words.percent(used)}</Sum>
      <Sum name="left over">{sayLeftOver(leftOver, words)}</Sum>
      <Sum name="file">
        {pixels.width} × {pixels.height} px
      </Sum>
      <Sum name="straight cuts">{cuts}</Sum>
      <Sum name="about">
        {words.number(price.perSheet, 2, 2)} <span className="text-ink-2">a sheet,</span>{" "}
        {words.number(price.perPiece, 2, 3)} <span className="text-ink-2">a piece</span>
      </Sum>
    </dl>
  );
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
  const one = (um: Um) => words.length(um);
  // A micrometre apart is the same to every ruler: what is left over cannot always be halved exactly.
  const alike = (a: Um, b: Um) => Math.abs(a - b) <= 1;
  const sides = alike(left, right) ? `${one(left)} sides` : `${one(left)} left, ${one(right)} right`;
  const ends = alike(top, bottom) ? `${one(top)} ends` : `${one(top)} top, ${one(bottom)} bottom`;
  return `${sides}, ${ends}`;
}
