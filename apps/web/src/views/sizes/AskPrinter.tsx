import { um, type Printer, type Um } from "@wide-quilt/core";
import { sizesOf, type PrinterCan } from "@wide-quilt/ipp/can";
import { Radar } from "lucide-react";
import { useState } from "react";
import { server } from "../../api/client.ts";
import { sentenceOf } from "../../api/problem.ts";
import { button } from "../../ui/button.ts";
import { paperType, reasonsInWords } from "../../words/printer.ts";

interface Props {
  printer: Printer;
  set(change: Partial<Printer>): void;
}

/** Hundredths of a millimetre, in which printers speak, as micrometres. */
const fromPrinter = (hundredths: number): Um => um(hundredths * 10);

/** Asks a printer at its address what it can do, and takes over its edges and resolution. */
export function AskPrinter({ printer: { address }, set }: Props) {
  const [can, setCan] = useState<PrinterCan | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const ask = async () => {
    setSaid("Asking …");
    setCan(null);
    try {
      const found = await server.printerCan(address!);
      setSaid(null);
      setCan(found);
      // The widest edges that any of its papers has: what keeps clear of them is printed on all.
      const [top, right, bottom, left] = [0, 1, 2, 3].map((side) =>
        fromPrinter(Math.max(0, ...found.media.map(({ edges }) => edges[side]!))),
      ) as [Um, Um, Um, Um];
      const [ppi] = found.resolutions;
      set({ unprintable: { top, right, bottom, left }, ...(ppi !== undefined && { ppi }) });
    } catch (error) {
      setSaid(sentenceOf(error));
    }
  };
  return (
    <div className="flex flex-col gap-1.5">
      <button type="button" className={`${button.plain} self-start`} onClick={() => void ask()}>
        <Radar size={14} aria-hidden /> Ask what it can do
      </button>
      <p aria-live="polite" className="text-[12.5px] text-ink-2">
        {said}
        {can && `${can.name}: ${sayCan(can)}. Its edges and resolution were taken over.`}
      </p>
    </div>
  );
}

function sayCan(can: PrinterCan): string {
  const { formats, types, copies, colour } = can;
  const papers = sizesOf(can);
  const names = formats.filter((format) => !format.endsWith("octet-stream"));
  const waits = reasonsInWords(can);
  return [
    colour ? "colour" : "black alone",
    `takes ${names.join(", ")}`,
    papers.length > 0 && `papers of ${papers.slice(0, 4).join(", ")}${papers.length > 4 ? " and more" : ""}`,
    types.length > 0 && types.map((type) => paperType(type).toLowerCase()).join("; "),
    `up to ${copies} copies`,
    waits !== "" && `just now: ${waits}`,
  ]
    .filter(Boolean)
    .join("; ");
}
