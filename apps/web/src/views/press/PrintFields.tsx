import { cutsApart, price, type Job, type PrintSetup, type SheetPlan } from "@wide-quilt/core";
import { documentFor, mediaOf, sizesOf, typesOf, type PrinterCan } from "@wide-quilt/ipp/can";
import { CircleCheck, OctagonAlert, RotateCw, TriangleAlert } from "lucide-react";
import type { ReactNode } from "react";
import { useAppDispatch } from "../../app/hooks.ts";
import { usePrinterCan } from "../../places/usePrinterCan.ts";
import { edit } from "../../table/edits.ts";
import { Check } from "../../ui/Check.tsx";
import { NumberField } from "../../ui/NumberField.tsx";
import { Segments } from "../../ui/Segments.tsx";
import { SelectField } from "../../ui/SelectField.tsx";
import { button } from "../../ui/button.ts";
import { paperType, reasonsInWords } from "../../words/printer.ts";
import { moneyIn, useWords } from "../../words/words.ts";
import { usePress } from "./usePress.ts";

interface Props {
  job: Job;
  sheets: readonly SheetPlan[];
  /** Where its printer is reached. */
  address: string;
}

type Quality = PrintSetup["quality"];

const QUALITIES: Record<Quality, string> = { draft: "Draft", normal: "Normal", high: "Best" };
const SENT = { jpeg: "JPEG", pdf: "PDF", raster: "pixels (PWG raster)" } as const;
/** What a list has for “no kind of paper is named”. */
const ANY = "";

/** What the job’s printer can do, and what of it is wanted: only what it offers is asked. */
export function PrintFields({ job, sheets, address }: Props) {
  const { can, why, again } = usePrinterCan(address);
  const paper = sheets[0]?.stock ?? job.sheet.paper;
  const apart = sheets[0] ? cutsApart(sheets[0]) : { x: [], y: [] };
  const cuts = apart.x.length + apart.y.length;
  return (
    <section aria-label="Printing" className="flex flex-col gap-2.5">
      <h2 className="text-[13px] font-semibold">Printing</h2>
      {can ? (
        <>
          <Ready can={can} again={again} />
          <Wishes job={job} can={can} paper={paper} cut={cuts} />
          <Fits job={job} can={can} paper={paper} sheets={sheets} />
        </>
      ) : (
        <div role="status" className="flex flex-col gap-2 text-[12.5px] text-ink-2">
          {why === null ? (
            <p>Asking {job.target.printer.name} what it can do …</p>
          ) : (
            <>
              <p className="text-wrong">{why}</p>
              <AskAgain again={again} />
            </>
          )}
        </div>
      )}
    </section>
  );
}

function AskAgain({ again }: { again(): void }) {
  return (
    <button type="button" className={`${button.quiet} -ml-3 self-start`} onClick={again}>
      <RotateCw size={13} aria-hidden /> Ask again
    </button>
  );
}

function Ready({ can, again }: { can: PrinterCan; again(): void }) {
  const waits = reasonsInWords(can);
  return (
    <div role="status">
      <Line icon={waits === "" ? GOOD : LOOK}>
        {waits === ""
          ? `${can.name} is ready.`
          : `${can.name}: ${waits}. It prints as soon as that is mended.`}
      </Line>
      {waits !== "" && <AskAgain again={again} />}
    </div>
  );
}

const GOOD = <CircleCheck size={14} aria-hidden className="mt-0.5 shrink-0 text-good" />;
const LOOK = <TriangleAlert size={14} aria-hidden className="mt-0.5 shrink-0 text-look" />;
const WRONG = <OctagonAlert size={14} aria-hidden className="mt-0.5 shrink-0 text-wrong" />;

function Line({ icon, children }: { icon: ReactNode; children: ReactNode }) {
  return (
    <p className="flex gap-1.5 text-[12.5px] text-ink-2">
      {icon}
      <span>{children}</span>
    </p>
  );
}

interface OfPrinter {
  job: Job;
  can: PrinterCan;
  /** The paper of its sheets, upright. */
  paper: SheetPlan["stock"];
}

function Wishes({ job, can, paper, cut }: OfPrinter & { cut: number }) {
  const { press, set } = usePress(job);
  const { print } = press;
  const setPrint = (change: Partial<PrintSetup>, gesture?: string) =>
    set({ print: { ...print, ...change } }, gesture);
  const types = typesOf(can, mediaOf(can, paper.width / 10, paper.height / 10));
  return (
    <>
      <NumberField
        label="Copies of each sheet"
        value={print.copies}
        least={1}
        most={Math.min(can.copies, 999)}
        whole
        onChange={(copies, gesture) => setPrint({ copies }, gesture)}
      />
      {types.length > 0 && (
        <SelectField
          label="Paper in it"
          value={print.type ?? ANY}
          onChange={(type) => setPrint({ type: type === ANY ? null : type })}
          choices={[
            { value: ANY, text: "What is in it" },
            ...types.map((type) => ({ value: type, text: paperType(type) })),
            ...(print.type !== null && !types.includes(print.type)
              ? [{ value: print.type, text: `${paperType(print.type)}: not here` }]
              : []),
          ]}
        />
      )}
      {can.qualities.length > 1 && (
        <Segments<Quality>
          label="Print quality"
          value={print.quality}
          onChange={(quality) => setPrint({ quality })}
          choices={can.qualities.map((value) => ({ value, text: QUALITIES[value] }))}
        />
      )}
      {can.trims && cut > 0 && (
        <Check
          label={
            cut === 1
              ? "it cuts the pages of a sheet apart"
              : `it cuts the pages of a sheet apart, ${cut} cuts`
          }
          checked={print.cuts}
          onChange={(cuts) => setPrint({ cuts })}
        />
      )}
      {(can.grey || print.grey) && (
        <Check label="in black alone" checked={print.grey} onChange={(grey) => setPrint({ grey })} />
      )}
    </>
  );
}

/** How the sheets suit the printer: its papers, its resolution, what it is sent, and what all copies come to. */
function Fits({ job, can, paper, sheets }: OfPrinter & { sheets: readonly SheetPlan[] }) {
  const dispatch = useAppDispatch();
  const money = moneyIn(job.target.printer.price.currency);
  const { ppi } = job.target;
  const words = useWords(ppi);
  const media = mediaOf(can, paper.width / 10, paper.height / 10);
  const kind = documentFor(can, job.target.file.format);
  const [own] = can.resolutions;
  const { copies } = job.target.print;
  const cost = price(job, sheets).total * copies;
  return (
    <>
      {!media && can.media.length > 0 && (
        <Line icon={WRONG}>
          It has no paper of {words.size(paper)}. It has {sizesOf(can).join(", ")}.
        </Line>
      )}
      {own !== undefined && !can.resolutions.includes(ppi) && (
        <div>
          <Line icon={LOOK}>
            It prints at {can.resolutions.join(", ")} ppi; this sheet has {words.number(ppi, 0, 2)}, so the
            printer scales it.
          </Line>
          <button
            type="button"
            className={`${button.quiet} -ml-3`}
            onClick={() => dispatch(edit({ do: "target", change: { ppi: own } }))}
          >
            Make it {own} ppi
          </button>
        </div>
      )}
      {media && media.edges.every((edge) => edge === 0) && (
        <Line icon={GOOD}>It prints this paper to its edges.</Line>
      )}
      {kind === null ? (
        <Line icon={WRONG}>It takes {can.formats.join(", ")}: nothing that can be sent from here.</Line>
      ) : (
        <p className="text-[12.5px] text-ink-2">
          Sent as {SENT[kind]}
          {copies > 1 && `; ${copies * sheets.length} sheets in all, about ${money(cost)} of paper`}.
        </p>
      )}
    </>
  );
}
