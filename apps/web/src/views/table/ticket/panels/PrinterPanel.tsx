import { PRINTERS, printerOfJob, type Printer } from "@wide-quilt/core";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { NumberField } from "../../../../ui/NumberField.tsx";
import type { Words } from "../../../../words/words.ts";
import type { PanelProps } from "./panel.tsx";

/** Where the sheet is made: it decides what cannot be printed, what may be lost, and the price. */
export function PrinterPanel({ job, words, change }: PanelProps) {
  const choose = (id: string) => {
    const printer = PRINTERS.find((one) => one.id === id);
    if (printer) change({ do: "sheet", change: { printer: printerOfJob(printer), ppi: printer.ppi } });
  };
  return (
    <div className="flex flex-col gap-2">
      <ChoiceList
        label="Where it is made"
        value={job.sheet.printer.id}
        onChange={choose}
        choices={PRINTERS.map((printer) => ({
          value: printer.id,
          text: printer.name,
          about: sayEdges(printer, words),
          aside: `${printer.ppi} ppi`,
        }))}
      />
      <div className="border-t border-line pt-3">
        <NumberField
          label="Enlarged to print without a border, %"
          value={job.sheet.enlarged}
          least={0}
          most={20}
          onChange={(enlarged, gesture) => change({ do: "sheet", change: { enlarged } }, gesture)}
        />
        <p className="mt-1.5 text-[12.5px] text-ink-2">
          What the printer adds so that no white is left: this much of every edge is lost, and is drawn on the
          table. 0 where it prints the page as it is.
        </p>
      </div>
    </div>
  );
}

function sayEdges({ unprintable: { top, right, bottom, left }, mayLose }: Printer, words: Words): string {
  const widest = Math.max(top, right, bottom, left);
  if (widest > 0) {
    return `cannot print ${[top, right, bottom, left].map((edge) => words.figure(edge)).join(", ")} ${words.unit} (top, right, bottom, left)`;
  }
  return mayLose > 0
    ? `prints to the edge, may lose ${words.length(mayLose)}`
    : "the whole sheet, nothing lost";
}
