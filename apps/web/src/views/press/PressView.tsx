import type { Job } from "@wide-quilt/core";
import { ArrowLeft, ListChecks, Scissors } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { Coming } from "../../app/Coming.tsx";
import { NotOpened } from "../../app/NotOpened.tsx";
import { PageHead } from "../../app/PageHead.tsx";
import { WayToJob, WayToJobs } from "../../app/Way.tsx";
import { useAppSelector } from "../../app/hooks.ts";
import { useOpenJob } from "../../app/useOpenJob.ts";
import { useProof } from "../../proofing/useProof.ts";
import { selectMade } from "../../table/sheets.ts";
import { button } from "../../ui/button.ts";
import { Gate } from "./Gate.tsx";
import { HowCard } from "./HowCard.tsx";
import { ProofPane, type Look } from "./ProofPane.tsx";
import { RunsCard } from "./RunsCard.tsx";
import { useRuns } from "./useRuns.ts";

/** What comes out: the true pixels and colours, the file, and what was written so far. */
export function PressView() {
  const { id, job, failure, waits } = useOpenJob("Press");
  if (failure) return <NotOpened why={failure} />;
  if (!job) return <Coming what="Getting the sheets ready …" waits={waits} />;
  return <Press id={id} job={job} />;
}

function Press({ id, job }: { id: string; job: Job }) {
  const sheets = useAppSelector(selectMade);
  const saved = useAppSelector((state) => state.openJob.pending.length === 0);
  const version = useAppSelector((state) => state.openJob.version);
  const [sheet, setSheet] = useState(1);
  const [look, setLook] = useState<Look>("file");
  const ready = saved && sheets.length > 0;
  const proof = useProof(id, ready ? { sheet, wide: false } : null, version);
  const wide = useProof(id, ready && look === "print" ? { sheet, wide: true } : null, version);
  const runs = useRuns(id);
  return (
    <div className="grid h-screen min-h-[560px] grid-rows-[48px_minmax(0,1fr)] overflow-hidden">
      <PageHead
        title="Press"
        under={[<WayToJobs key="jobs" />, <WayToJob key="job" id={id} name={job.name} />]}
      >
        <Link to="/runs" className={button.plain}>
          <ListChecks size={15} aria-hidden /> All runs
        </Link>
        <Link to={`/jobs/${id}/cuts`} className={button.plain}>
          <Scissors size={15} aria-hidden /> Cut plan
        </Link>
        <Link to={`/jobs/${id}`} className={button.plain}>
          <ArrowLeft size={15} aria-hidden /> Back to the table
        </Link>
      </PageHead>
      <main className="grid min-h-0 grid-cols-[300px_minmax(0,1fr)_300px]">
        <HowCard
          job={job}
          jobId={id}
          version={version}
          sheets={sheets}
          sheet={sheet}
          proof={proof}
          runs={runs}
        />
        <ProofPane
          proof={look === "print" ? wide : proof}
          colour={job.target.colour}
          look={look}
          onLook={setLook}
          sheets={sheets}
          sheet={sheet}
          onSheet={setSheet}
        />
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
