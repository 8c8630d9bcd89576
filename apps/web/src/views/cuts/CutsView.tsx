import {
  cutPlanCsv,
  kindOf,
  layoutArea,
  nearestStraight,
  piecesInStack,
  type CutPlan,
  type Job,
  type SheetPlan,
} from "@wide-quilt/core";
import { ArrowLeft, Download, Printer } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { NotOpened } from "../../app/NotOpened.tsx";
import { PageHead } from "../../app/PageHead.tsx";
import { WayToJob, WayToJobs } from "../../app/Way.tsx";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { noticed } from "../../app/noticeSlice.ts";
import { useOpenJob } from "../../app/useOpenJob.ts";
import { useCutPlan } from "../../cutting/useCutPlan.ts";
import { edit } from "../../table/edits.ts";
import { selectPrinted } from "../../table/sheets.ts";
import { button } from "../../ui/button.ts";
import { useWords } from "../../words/words.ts";
import { placeEdit } from "../table/table/places.ts";
import { CutDrawing } from "./CutDrawing.tsx";
import { TrimmerFields } from "./TrimmerFields.tsx";

/** The cut plan of a job's sheets, a page of its own to be printed and laid beside the trimmer. */
export function CutsView() {
  const { id, job, failure } = useOpenJob("Cut plan");
  if (failure) return <NotOpened why={failure} />;
  if (!job) return <p className="px-6 py-24 text-center text-ink-3">Working out the cuts …</p>;
  return <Cuts id={id} job={job} />;
}

function Cuts({ id, job }: { id: string; job: Job }) {
  const sheets = useAppSelector(selectPrinted);
  const [number, setNumber] = useState(1);
  const [whole, setWhole] = useState(kindOf(job).isOnePiece === true && job.sheet.trim !== null);
  const sheet = sheets[Math.min(number, sheets.length) - 1];
  const planned = useCutPlan(sheet ?? null, whole);
  const trimmer = useAppSelector((state) => state.preferences.trimmer);
  const isOfNow =
    planned?.sheet === sheet && planned?.whole === whole && planned?.most === piecesInStack(trimmer);
  const plan = planned && isOfNow ? planned.plan : null;
  return (
    <div className="min-h-screen print:bg-white">
      <PageHead
        title="Cut plan"
        under={[
          <WayToJobs key="jobs" />,
          <WayToJob key="job" id={id} name={job.name} />,
          <Link key="press" to={`/jobs/${id}/press`} className="hover:underline">
            Press
          </Link>,
        ]}
        className="print:hidden"
      >
        <Link to={`/jobs/${id}/press`} className={button.plain}>
          <ArrowLeft size={15} aria-hidden /> Back to the press
        </Link>
        {plan?.ok && sheet && (
          <>
            <a
              className={button.plain}
              href={`data:text/csv;charset=utf-8,${encodeURIComponent(cutPlanCsv(plan))}`}
              download={`${job.name}, cuts of sheet ${sheet.number}.csv`}
            >
              <Download size={15} aria-hidden /> Save as CSV
            </a>
            <button type="button" className={button.main} onClick={() => window.print()}>
              <Printer size={15} aria-hidden /> Print this page
            </button>
          </>
        )}
      </PageHead>
      <main className="mx-auto max-w-[1200px] px-8 py-6">
        <div className="mb-5 flex flex-wrap items-end gap-5 print:hidden">
          {sheets.length > 1 && (
            <label className="flex items-center gap-2">
              Sheet
              <select
                className="rounded-md border border-edge bg-white px-2 py-1.5"
                value={sheet?.number ?? 1}
                onChange={({ target }) => setNumber(Number(target.value))}
              >
                {sheets.map((one) => (
                  <option key={one.id} value={one.number}>
                    {one.number} of {one.of}
                  </option>
                ))}
              </select>
            </label>
          )}
          {!sheet?.freed && (
            <label className="flex items-center gap-2 text-[13.5px]">
              <input
                type="checkbox"
                className="size-4 accent-accent"
                checked={whole}
                onChange={({ target }) => setWhole(target.checked)}
              />
              Only cut the finished sheet out, not its cells
            </label>
          )}
          <span className="grow" />
          <TrimmerFields />
        </div>
        {!sheet ? (
          <p className="py-16 text-center text-ink-2">
            There is no sheet to cut: nothing fits. The table says what mends it.
          </p>
        ) : !plan ? (
          <p role="status" className="py-16 text-center text-ink-2">
            Working out the cuts …
          </p>
        ) : plan.ok ? (
          <Steps job={job} sheet={sheet} plan={plan} />
        ) : (
          <NotStraight job={job} sheet={sheet} inTheWay={plan.inTheWay} />
        )}
      </main>
    </div>
  );
}

function Steps({ job, sheet, plan }: { job: Job; sheet: SheetPlan; plan: Extract<CutPlan, { ok: true }> }) {
  const words = useWords(sheet.ppi);
  const trimmer = useAppSelector((state) => state.preferences.trimmer);
  const { steps, stops } = plan;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-start gap-8 max-[1000px]:grid-cols-1">
      <figure className="rounded-lg bg-table p-8 print:bg-white print:p-0">
        <CutDrawing sheet={sheet} steps={steps} inTheWay={[]} />
        <figcaption className="measure mt-3 text-center text-[12px]">{words.size(sheet.paper)}</figcaption>
      </figure>
      <section aria-labelledby="passes">
        <h2 id="passes" className="text-[16px] font-semibold">
          {job.name}, sheet {sheet.number}
        </h2>
        <p className="mt-1 mb-3 text-[13px] text-ink-2">
          {steps.length === 0
            ? "Nothing has to be cut: the piece is the paper."
            : `${count(steps.length, "pass", "passes")} of the knife with equal pieces stacked, ${piecesInStack(trimmer)} at most, the stop set ${count(stops, "time", "times")}. Push the edge that is named against the stop.`}
        </p>
        {steps.length > 0 && (
          <table className="w-full text-[13px]">
            <thead className="text-left text-[12px] text-ink-2">
              <tr className="border-b border-line">
                <th className="py-1.5 font-medium">Cut</th>
                <th className="font-medium">In hand</th>
                <th className="font-medium">At the stop</th>
                <th className="text-right font-medium">Stop at</th>
                <th className="text-right font-medium">Frees</th>
              </tr>
            </thead>
            <tbody>
              {steps.map(({ number, hand, atStop, stop, frees }, i) => {
                const set = i === 0 || steps[i - 1]!.stop !== stop;
                return (
                  <tr key={number} className="border-b border-line/60">
                    <td className="measure py-1.5">{number}</td>
                    <td className="measure">
                      {hand.length > 1 && `${hand.length} stacked, `}
                      {words.size(hand[0]!)}
                    </td>
                    <td>{atStop} edge</td>
                    <td className={`measure text-right ${set ? "font-semibold text-accent" : "text-ink-2"}`}>
                      {words.measure(stop)}
                      {!set && <span className="sr-only">, as before</span>}
                    </td>
                    <td className="measure text-right">{frees || ""}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
      </section>
    </div>
  );
}

const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

/** Which cells stand in the way of every straight cut, and the nearest layout that can be cut. */
function NotStraight({ job, sheet, inTheWay }: { job: Job; sheet: SheetPlan; inTheWay: readonly number[] }) {
  const dispatch = useAppDispatch();
  const cells = inTheWay.map((i) => sheet.cells[i]!);
  const numbers = cells.map(({ number }) => number).join(", ");
  const mend = () => {
    const near = nearestStraight(
      sheet.cells.map(({ finished }) => finished),
      layoutArea(job.sheet, sheet.paper),
      job.ticket.gap,
    );
    if (!near) {
      dispatch(
        noticed(
          "These cells do not all fit on this sheet by straight cuts. Take a larger paper or move one to another sheet.",
          "wrong",
        ),
      );
      return;
    }
    const moves = sheet.cells.map((cell, i) => ({ cell, to: { ...near[i]!, angle: 0 } }));
    dispatch(edit(placeEdit(job, sheet.id, moves)));
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-start gap-8">
      <figure className="rounded-lg bg-table p-8">
        <CutDrawing sheet={sheet} steps={[]} inTheWay={cells.map(({ key }) => key)} />
      </figure>
      <section role="alert" className="rounded-lg bg-look-soft p-5 text-look">
        <h2 className="text-[16px] font-semibold">No straight cut goes through</h2>
        <p className="mt-1 mb-4 text-[13.5px]">
          {cells.length === 1 ? `Cell ${numbers} stands` : `Cells ${numbers} stand`} in the way: they lie over
          each other, over the paper’s edge, at a tilt, or around one another, so that an edge-to-edge cut
          would go through a piece.
        </p>
        <button type="button" className={button.main} onClick={mend}>
          Take the nearest layout that can be cut
        </button>
      </section>
    </div>
  );
}
