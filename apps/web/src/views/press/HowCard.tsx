import { inkOfSheet, isDrawing, price, type Job, type SheetPlan } from "@wide-quilt/core";
import type { RunNaming } from "@wide-quilt/server/contract";
import { FileDown, Printer as PrinterIcon } from "lucide-react";
import { useState, type ReactNode } from "react";
import { useAppSelector } from "../../app/hooks.ts";
import { usePlaces } from "../../places/places.ts";
import type { ProofState } from "../../proofing/useProof.ts";
import { selectFindings } from "../../table/sheets.ts";
import { button } from "../../ui/button.ts";
import { fileSize, moneyIn, useWords } from "../../words/words.ts";
import { AboutFields, PaperFields } from "./AboutFields.tsx";
import { ColourFields } from "./ColourFields.tsx";
import { FileFields } from "./FileFields.tsx";
import { NamingFields, ruleOf } from "./NamingFields.tsx";
import { PrintFields } from "./PrintFields.tsx";
import type { RunsState } from "./useRuns.ts";

interface Props {
  job: Job;
  jobId: string;
  version: number;
  sheets: readonly SheetPlan[];
  sheet: number;
  proof: ProofState;
  runs: RunsState;
}

/** How the sheets are written, what that comes to, and the button that writes. */
export function HowCard({ job, jobId, version, sheets, sheet, proof, runs }: Props) {
  const [overwrite, setOverwrite] = useState(false);
  const naming: RunNaming = { ...job.target.naming, rule: ruleOf(job.target.naming), overwrite };
  const { printers } = usePlaces();
  const address = printers.find(({ id }) => id === job.target.printer.id)?.address ?? null;
  return (
    <section aria-label="How it is written" className="flex min-h-0 flex-col border-r border-line bg-chrome">
      <div className="flex min-h-0 grow flex-col gap-6 overflow-y-auto p-4">
        {address !== null && <PrintFields job={job} sheets={sheets} address={address} />}
        <FileFields job={job} jobId={jobId} sheet={sheet} version={version} />
        <Facts job={job} sheets={sheets} proof={proof} />
        <ColourFields job={job} />
        <PaperFields job={job} />
        <NamingFields job={job} sheets={sheets} overwrite={overwrite} onOverwrite={setOverwrite} />
        <AboutFields job={job} />
      </div>
      <div className="flex flex-col gap-2 border-t border-line p-4">
        <WriteButton
          sheets={sheets.length}
          onWrite={() => runs.write(naming)}
          onPrint={address !== null ? () => runs.write({ ...naming, print: true }) : null}
          printer={job.target.printer.name}
        />
        <p className="text-[12px] text-ink-2">
          Into <span className="break-all">{runs.folder}</span>.{" "}
          {naming.overwrite
            ? "Files of the same names are written over."
            : "Nothing that is there is overwritten."}
        </p>
      </div>
    </section>
  );
}

interface WriteProps {
  sheets: number;
  onWrite(): void;
  /** Null where the job’s printer has no address. */
  onPrint: (() => void) | null;
  printer: string;
}

/** Writes or prints; where something would spoil the print it says so first, and can be told to all the same. */
function WriteButton({ sheets, onWrite, onPrint, printer }: WriteProps) {
  const wrong = useAppSelector(selectFindings).filter(({ level }) => level === "wrong").length;
  const [asked, setAsked] = useState<(() => void) | null>(null);
  const begin = (act: () => void) => (wrong > 0 ? setAsked(() => act) : act());
  if (asked && wrong > 0) {
    const go = () => {
      setAsked(null);
      asked();
    };
    return (
      <div role="alert" className="flex flex-col gap-2 rounded-lg bg-wrong-soft p-3 text-[12.5px] text-wrong">
        <p>
          {wrong === 1 ? "One thing" : `${wrong} things`} at the right would spoil the print. It can be mended
          there.
        </p>
        <div className="flex gap-2">
          <button type="button" className={`${button.plain} grow`} onClick={go}>
            Do it all the same
          </button>
          <button type="button" className={button.plain} onClick={() => setAsked(null)}>
            Not yet
          </button>
        </div>
      </div>
    );
  }
  return (
    <>
      {onPrint && (
        <button
          type="button"
          className={`${button.main} py-2`}
          disabled={sheets === 0}
          onClick={() => begin(onPrint)}
        >
          <PrinterIcon size={16} aria-hidden />
          Print on {printer}
        </button>
      )}
      <button
        type="button"
        className={onPrint ? button.plain : `${button.main} py-2`}
        disabled={sheets === 0}
        onClick={() => begin(onWrite)}
      >
        <FileDown size={16} aria-hidden />
        {sheets > 1 ? `Write ${sheets} sheets` : "Write the file"}
      </button>
    </>
  );
}

/** The true figures of what comes out. */
function Facts({ job, sheets, proof }: Pick<Props, "job" | "sheets" | "proof">) {
  const words = useWords(job.target.ppi);
  const money = moneyIn(job.target.printer.price.currency);
  const [first] = sheets;
  const { format } = job.target.file;
  if (!first) return null;
  const paper = price(job, sheets).total;
  const known = !proof.coming && proof.shown?.format === format ? proof.shown : null;
  const { ink } = job.target.printer.price;
  const inkPerSheet =
    known && known.coverage !== null ? inkOfSheet({ ink }, first.paper, known.coverage) : null;
  return (
    <dl className="flex flex-col gap-1.5 text-[13px]">
      <Fact name="File size">
        {known && known.bytes !== null ? (
          <>
            {fileSize(known.bytes)}
            {sheets.length > 1 && <span className="text-ink-2"> a sheet</span>}
          </>
        ) : (
          <span className="text-ink-2">being measured …</span>
        )}
      </Fact>
      {!isDrawing(format) && (
        <>
          <Fact name="Pixels">
            {first.pixels.width} × {first.pixels.height}
          </Fact>
          <Fact name="Density">{words.number(job.target.ppi, 0, 2)} ppi</Fact>
        </>
      )}
      <Fact name="On paper">{words.size(first.paper)}</Fact>
      <Fact name="Sheets">{sheets.length}</Fact>
      <Fact name="Paper, about">{money(paper)}</Fact>
      {ink > 0 && (
        <Fact name="Ink, about">
          {inkPerSheet === null ? (
            <span className="text-ink-2">being measured …</span>
          ) : (
            money(inkPerSheet * sheets.length)
          )}
        </Fact>
      )}
    </dl>
  );
}

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="flex justify-between gap-3">
      <dt className="text-ink-2">{name}</dt>
      <dd className="measure text-right">{children}</dd>
    </div>
  );
}
