import { ListChecks } from "lucide-react";
import { Link } from "react-router";
import { PageHead } from "../../app/PageHead.tsx";
import { WayToJobs } from "../../app/Way.tsx";
import { useTitle } from "../../app/useTitle.ts";
import { EmptyPage } from "../../ui/EmptyPage.tsx";
import { useRuns } from "../press/useRuns.ts";
import { RunLine } from "./RunLine.tsx";

const OPEN = new Set(["painting", "waiting", "paused", "asking"]);

/** Everything that was written, of all jobs, and what is queued. */
export function RunsView() {
  useTitle("Runs");
  const { runs, came, act, folder } = useRuns(null);
  const open = runs.filter(({ state }) => OPEN.has(state));
  const ended = runs.filter(({ state }) => !OPEN.has(state));
  return (
    <div className="min-h-screen">
      <PageHead title="Runs" under={[<WayToJobs key="jobs" />]} />
      <main className="mx-auto max-w-[1180px] px-8 pt-7 pb-16">
        {!came && <p className="text-ink-3">Looking …</p>}
        {came && runs.length === 0 && <Empty />}
        {open.length > 0 && <List title="In the queue" runs={open} act={act} />}
        {ended.length > 0 && (
          <>
            <List title="Made" runs={ended} act={act} />
            <p className="mt-6 text-[12.5px] text-ink-2">
              Files lie in <span className="break-all">{folder}</span>.
            </p>
          </>
        )}
      </main>
    </div>
  );
}

function List({ title, runs, act }: { title: string } & Pick<ReturnType<typeof useRuns>, "runs" | "act">) {
  return (
    <section aria-label={title} className="mb-9">
      <h2 className="mb-4 text-[15px] font-semibold">{title}</h2>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] items-start gap-4">
        {runs.map((run) => (
          <RunLine
            key={run.id}
            run={run}
            act={act}
            ofJob={
              <p className="flex flex-col gap-0.5">
                <Link
                  to={run.jobId.startsWith("event:") ? `/booth/${run.jobId.slice(6)}` : `/jobs/${run.jobId}`}
                  className="truncate text-[13.5px] font-semibold text-accent underline underline-offset-2"
                >
                  {run.jobName}
                </Link>
                <span className="text-[12.5px] text-ink-2">
                  {run.format.toUpperCase()}
                  {run.sheets !== null && (run.sheets === 1 ? ", 1 sheet" : `, ${run.sheets} sheets`)}, for{" "}
                  {run.madeBy}
                  {run.again !== null && ", exactly as before"}
                </span>
              </p>
            }
          />
        ))}
      </ul>
    </section>
  );
}

function Empty() {
  return (
    <EmptyPage icon={ListChecks} title="Nothing was written yet">
      <p className="text-ink-2">
        “Print or export” at the top of a job’s table leads to its press. Everything that is written there is
        kept here, and can be made again exactly as it was.
      </p>
      <Link to="/" className="text-accent underline underline-offset-2">
        To the jobs
      </Link>
    </EmptyPage>
  );
}
