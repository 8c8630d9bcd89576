import { ArrowLeft, Scissors } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import type { Job } from "@wide-quilt/core";
import type { RunAsked } from "../../api/client.ts";
import type { Format } from "@wide-quilt/server/contract";
import { NotOpened } from "../../app/NotOpened.tsx";
import { useAppSelector } from "../../app/store.ts";
import { useOpenJob } from "../../app/useOpenJob.ts";
import { Way, WayToJobs } from "../../app/Way.tsx";
import { selectSheets } from "../../table/sheets.ts";
import { button } from "../../ui/button.ts";
import { HowCard } from "./HowCard.tsx";
import { ProofPane } from "./ProofPane.tsx";
import { RunsCard } from "./RunsCard.tsx";
import { Gate } from "./Gate.tsx";
import { useProof } from "./useProof.ts";
import { useRuns } from "./useRuns.ts";

/** How a job is written. */
export interface How {
  format: Format;
  quality: number;
}

/** What its files are called and where they go. */
export type Naming = Omit<RunAsked, keyof How>;

/** What comes out: the true pixels, the file, and what was written so far. */
export function PressView() {
  const { id, job, failure } = useOpenJob("Press");
  if (failure) return <NotOpened why={failure} />;
  if (!job) return <p className="px-6 py-24 text-center text-ink-3">Getting the sheets ready …</p>;
  return <Press id={id} job={job} />;
}

function Press({ id, job }: { id: string; job: Job }) {
  const sheets = useAppSelector(selectSheets);
  const saved = useAppSelector((state) => state.openJob.pending.length === 0);
  const version = useAppSelector((state) => state.openJob.version);
  const [how, setHow] = useState<How>({ format: "jpeg", quality: 92 });
  const [sheet, setSheet] = useState(1);
  const proof = useProof(id, saved && sheets.length > 0 ? { ...how, sheet } : null, version);
  const runs = useRuns(id);
  return (
    <div className="grid h-screen min-h-[560px] grid-rows-[48px_minmax(0,1fr)] overflow-hidden">
      <header className="flex items-center gap-3.5 border-b border-line bg-white px-4">
        <Way
          steps={[
            <WayToJobs key="jobs" />,
            <Link key="job" to={`/jobs/${id}`} className="truncate hover:underline">
              {job.name}
            </Link>,
            <h1 key="press" className="font-semibold">
              Press
            </h1>,
          ]}
        />
        <span className="grow" />
        <Link to={`/jobs/${id}/cuts`} className={button.plain}>
          <Scissors size={15} aria-hidden /> Cut plan
        </Link>
        <Link to={`/jobs/${id}`} className={button.plain}>
          <ArrowLeft size={15} aria-hidden /> Back to the table
        </Link>
      </header>
      <main className="grid min-h-0 grid-cols-[300px_minmax(0,1fr)_300px]">
        <HowCard job={job} sheets={sheets} how={how} onHow={setHow} proof={proof} runs={runs} />
        <ProofPane proof={proof} sheets={sheets} sheet={sheet} onSheet={setSheet} />
        <aside
          aria-label="To check, and written so far"
          className="flex min-h-0 flex-col gap-4 overflow-y-auto border-l border-line bg-[#fafaf8] p-4"
        >
          <Gate />
          <RunsCard runs={runs} />
        </aside>
      </main>
    </div>
  );
}
