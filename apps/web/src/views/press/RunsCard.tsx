import { CircleCheck, CircleSlash, Download, OctagonAlert } from "lucide-react";
import type { Run } from "@wide-quilt/server/contract";
import { address } from "../../api/client.ts";
import { button } from "../../ui/button.ts";
import { Progress } from "../../ui/Progress.tsx";
import { fileSize, when } from "../../words/words.ts";
import type { RunsState } from "./useRuns.ts";

/** What was written of this job, the newest first. */
export function RunsCard({ runs: { runs, cancel } }: { runs: RunsState }) {
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
          <RunLine key={run.id} run={run} onCancel={() => cancel(run.id)} />
        ))}
      </ul>
    </section>
  );
}

function RunLine({
  run: { id, state, progress, files, why, createdAt },
  onCancel,
}: {
  run: Run;
  onCancel(): void;
}) {
  if (state === "painting") {
    return (
      <li className="flex flex-col gap-2 rounded-lg border border-line bg-white p-3">
        <Progress
          label={`Writing ${progress?.what ?? ""}`}
          done={progress?.done ?? 0}
          of={progress?.of ?? 0}
        />
        <button type="button" className={button.plain} onClick={onCancel}>
          Cancel
        </button>
      </li>
    );
  }
  if (state !== "done") {
    const Icon = state === "failed" ? OctagonAlert : CircleSlash;
    return (
      <li className="flex gap-2 rounded-lg border border-line bg-white p-3 text-[12.5px]">
        <Icon
          size={15}
          aria-hidden
          className={`mt-0.5 shrink-0 ${state === "failed" ? "text-wrong" : "text-ink-3"}`}
        />
        <span>
          {state === "failed" ? why : "Cancelled. Nothing was written."}{" "}
          <span className="text-ink-3">{when(createdAt)}</span>
        </span>
      </li>
    );
  }
  const bytes = files.reduce((sum, file) => sum + file.bytes, 0);
  const [first] = files;
  return (
    <li className="flex flex-col gap-2 rounded-lg border border-line bg-white p-3 text-[12.5px]">
      <p className="flex gap-2">
        <CircleCheck size={15} aria-hidden className="mt-0.5 shrink-0 text-good" />
        <span className="min-w-0">
          <span className="sr-only">Written: </span>
          <b className="font-semibold break-all">{first?.name}</b>
          {files.length > 1 && ` and ${files.length - 1} more`}
          <span className="block text-ink-2">
            <span className="measure">{fileSize(bytes)}</span>, {when(createdAt)}
          </span>
        </span>
      </p>
      <a className={button.plain} href={address.download(id)} download>
        <Download size={15} aria-hidden />
        {files.length > 1 ? "Take all as a ZIP" : "Download"}
      </a>
    </li>
  );
}
