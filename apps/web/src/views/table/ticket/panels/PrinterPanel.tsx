import { PRINTERS, printerOfJob, type Printer } from "@wide-quilt/core";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import type { Words } from "../../../../words/words.ts";
import type { PanelProps } from "./panel.ts";

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
          text: (
            <>
              {printer.name}
              <span className="block text-[12px] font-normal text-ink-2">{sayEdges(printer, words)}</span>
            </>
          ),
          aside: `${printer.ppi} ppi`,
        }))}
      />
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
