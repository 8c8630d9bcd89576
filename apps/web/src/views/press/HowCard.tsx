import { FileDown } from "lucide-react";
import { useState, type ReactNode } from "react";
import { price, type Job, type SheetPlan } from "@wide-quilt/core";
import type { Format } from "@wide-quilt/server/contract";
import { button } from "../../ui/button.ts";
import { ChoiceList } from "../../ui/ChoiceList.tsx";
import { fileSize, useWords } from "../../words/words.ts";
import { NamingFields } from "./NamingFields.tsx";
import type { How, Naming } from "./PressView.tsx";
import type { ProofState } from "./useProof.ts";
import type { RunsState } from "./useRuns.ts";

const FORMATS: { value: Format; text: string; about: string }[] = [
  { value: "jpeg", text: "JPEG", about: "what every shop takes" },
  { value: "png", text: "PNG", about: "nothing lost, larger" },
  { value: "pdf", text: "PDF", about: "photos at full resolution, words as text, marks as lines" },
  { value: "svg", text: "SVG", about: "the same as a drawing, a file a sheet" },
];

const isPixels = (format: Format) => format === "jpeg" || format === "png";

interface Props {
  job: Job;
  sheets: readonly SheetPlan[];
  how: How;
  onHow(how: How): void;
  proof: ProofState;
  runs: RunsState;
}

/** Format, quality and name, and the button that writes. */
export function HowCard({ job, sheets, how, onHow, proof, runs }: Props) {
  const [naming, setNaming] = useState<Naming>({ start: 1, each: false, folder: "", overwrite: false });
  const words = useWords(job.sheet.ppi);
  const sheet = sheets[0];
  return (
    <section aria-label="How it is written" className="flex min-h-0 flex-col border-r border-line bg-chrome">
      <div className="flex min-h-0 grow flex-col gap-5 overflow-y-auto p-4">
        <div>
          <h2 className="mb-2 text-[13px] font-semibold">File</h2>
          <ChoiceList
            label="File format"
            value={how.format}
            onChange={(format) => onHow({ ...how, format })}
            choices={FORMATS}
          />
        </div>
        {how.format === "jpeg" && (
          <label className="flex flex-col gap-1.5 text-[13px]">
            <span className="flex justify-between">
              <span className="font-semibold">Quality</span>
              <span className="measure">{how.quality}</span>
            </span>
            <input
              type="range"
              min={1}
              max={100}
              value={how.quality}
              className="w-full accent-accent"
              onChange={(event) => onHow({ ...how, quality: Number(event.target.value) })}
            />
          </label>
        )}
        {sheet && (
          <dl className="flex flex-col gap-1.5 text-[13px]">
            <Fact name="File size">
              {proof.shown &&
              !proof.coming &&
              proof.shown.format === how.format &&
              proof.shown.bytes !== null ? (
                <>
                  {fileSize(proof.shown.bytes)}
                  {sheets.length > 1 && <span className="text-ink-2"> a sheet</span>}
                </>
              ) : (
                <span className="text-ink-2">being measured …</span>
              )}
            </Fact>
            {isPixels(how.format) && (
              <Fact name="Pixels">
                {sheet.pixels.width} × {sheet.pixels.height}
              </Fact>
            )}
            <Fact name="On paper">{words.size(sheet.paper)}</Fact>
            {isPixels(how.format) && <Fact name="Density">{words.number(job.sheet.ppi, 0, 2)} ppi</Fact>}
            <Fact name="Colour">sRGB</Fact>
            <Fact name="Sheets">{sheets.length}</Fact>
            <Fact name="Cost, about">{words.number(price(job, sheets).total, 2, 2)}</Fact>
          </dl>
        )}
        <NamingFields job={job} sheets={sheets} format={how.format} naming={naming} onChange={setNaming} />
      </div>
      <div className="flex flex-col gap-2 border-t border-line p-4">
        <button
          type="button"
          className={`${button.main} py-2`}
          disabled={sheets.length === 0}
          onClick={() => runs.write({ ...how, ...naming })}
        >
          <FileDown size={16} aria-hidden />
          {sheets.length > 1 ? `Write ${sheets.length} sheets` : "Write the file"}
        </button>
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

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="flex justify-between gap-3">
      <dt className="text-ink-2">{name}</dt>
      <dd className="measure text-right">{children}</dd>
    </div>
  );
}
