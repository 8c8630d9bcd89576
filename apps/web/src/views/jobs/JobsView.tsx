import { BookMarked, FileInput, ListChecks, PartyPopper, Ruler, Trash2, Undo2 } from "lucide-react";
import { Link } from "react-router";
import { PageHead } from "../../app/PageHead.tsx";

import { button } from "../../ui/button.ts";
import { FileButton } from "../../ui/FileButton.tsx";
import { JobCard } from "./JobCard.tsx";
import { StartJob } from "./StartJob.tsx";
import { useJobs } from "./useJobs.ts";

/** What is on the go, and where a job is started. */
export function JobsView() {
  const { jobs, bin, showsBin, failure, coming, showBin, start, importFile, act } = useJobs();
  return (
    <div className="min-h-screen">
      <PageHead title="Jobs">
        <Link to="/patterns" className={button.plain}>
          <BookMarked size={16} aria-hidden />
          Pattern book
        </Link>
        <Link to="/booth" className={button.plain}>
          <PartyPopper size={16} aria-hidden />
          Events
        </Link>
        <Link to="/sizes" className={button.plain}>
          <Ruler size={16} aria-hidden />
          Sizes
        </Link>
        <Link to="/runs" className={button.plain}>
          <ListChecks size={16} aria-hidden />
          Runs
        </Link>
        <FileButton
          label="Job file"
          accept=".json,application/json"
          className={button.plain}
          onFiles={([chosen]) => void importFile(chosen!)}
        >
          <FileInput size={16} aria-hidden />
          Open a job file
        </FileButton>
        <button
          type="button"
          className={button.plain}
          aria-pressed={showsBin}
          onClick={() => showBin(!showsBin)}
        >
          {showsBin ? <Undo2 size={16} aria-hidden /> : <Trash2 size={16} aria-hidden />}
          {showsBin ? "Back to the jobs" : "Bin"}
        </button>
      </PageHead>
      <main className="mx-auto max-w-[1560px] px-8 pt-7 pb-16">
        {!showsBin && <StartJob onStart={start} />}
        <h2 className="mt-9 mb-4 text-[15px] font-semibold">{showsBin ? "In the bin" : "On the go"}</h2>
        {failure && (
          <p role="alert" className="mb-4 rounded-lg bg-wrong-soft px-4 py-3 text-wrong">
            {failure}
          </p>
        )}
        {coming && !showsBin && (
          <p role="status" className="mb-4 rounded-lg border border-line bg-white px-4 py-3 text-[13.5px]">
            The demo is being made, this once: {coming.done} of {coming.of} photos. Its jobs will stand here;
            you can start one of your own meanwhile.
          </p>
        )}
        {showsBin ? (
          <JobGrid
            jobs={bin}
            empty="The bin is empty. Jobs that you put here can be taken out again."
            act={act}
          />
        ) : (
          <JobGrid
            jobs={jobs}
            empty="Nothing is on the go yet. Start a job above, or open a job file."
            act={act}
          />
        )}
      </main>
    </div>
  );
}

type JobGridProps = Pick<ReturnType<typeof useJobs>, "act"> & {
  jobs: ReturnType<typeof useJobs>["jobs"];
  empty: string;
};

function JobGrid({ jobs, empty, act }: JobGridProps) {
  if (jobs === null) return <p className="text-ink-3">Looking …</p>;
  if (jobs.length === 0) return <p className="text-ink-2">{empty}</p>;
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-6">
      {jobs.map((summary) => (
        <JobCard key={summary.id} summary={summary} act={act} />
      ))}
    </ul>
  );
}
