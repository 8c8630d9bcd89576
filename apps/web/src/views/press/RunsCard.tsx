import { RunLine } from "../runs/RunLine.tsx";
import type { RunsState } from "./useRuns.ts";

/** What was written of this job, the newest first. */
export function RunsCard({ runs: { runs, act } }: { runs: RunsState }) {
  return (
    <section aria-labelledby="written">
      <h2 id="written" className="mb-2.5 text-[13px] font-semibold">
        Written so far
      </h2>
      {runs.length === 0 && (
        <p className="text-[12.5px] text-ink-2">Nothing yet. “Write” at the left makes the first file.</p>
      )}
      <ul className="flex flex-col gap-3">
        {runs.map((run) => (
          <RunLine key={run.id} run={run} act={act} />
        ))}
      </ul>
    </section>
  );
}
