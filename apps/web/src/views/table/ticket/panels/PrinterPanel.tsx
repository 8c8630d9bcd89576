import { Link } from "react-router";
import { usePlaces } from "../../../../places/places.ts";
import { ChoiceList } from "../../../../ui/ChoiceList.tsx";
import { NumberField } from "../../../../ui/NumberField.tsx";
import { sayEdges } from "../../../sizes/PrinterRow.tsx";
import type { PanelProps } from "../../../../kinds/panel.tsx";

/** Where the sheet is made: it decides what cannot be printed, what may be lost, colours and price. */
export function PrinterPanel({ job, words, change }: PanelProps) {
  const { printers } = usePlaces();
  const choose = (id: string) => {
    const printer = printers.find((one) => one.id === id);
    if (printer) change({ do: "printer", printer });
  };
  return (
    <div className="flex flex-col gap-2">
      <ChoiceList
        label="Where it is made"
        value={job.target.printer.id}
        onChange={choose}
        choices={printers.map((printer) => ({
          value: printer.id,
          text: printer.name,
          about: sayEdges(printer, words),
          aside: `${words.number(printer.ppi, 0, 2)} ppi`,
        }))}
      />
      <Link to="/sizes" className="px-2 text-[12.5px] text-accent underline underline-offset-2">
        Add or change printers
      </Link>
      <div className="border-t border-line pt-3">
        <NumberField
          label="Enlarged to print without a border, %"
          value={job.target.enlarged}
          least={0}
          most={20}
          onChange={(enlarged, gesture) => change({ do: "target", change: { enlarged } }, gesture)}
        />
        <p className="mt-1.5 text-[12.5px] text-ink-2">
          What the printer adds so that no white is left: this much of every edge is lost, and is drawn on the
          table. 0 where it prints the page as it is.
        </p>
      </div>
    </div>
  );
}
