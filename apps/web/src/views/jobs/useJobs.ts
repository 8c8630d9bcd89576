import type { Kind } from "@wide-quilt/core";
import type { JobSummary } from "@wide-quilt/server/contract";
import { useCallback, useState } from "react";
import { useNavigate } from "react-router";
import { server } from "../../api/client.ts";
import { readJsonFile } from "../../api/jsonFile.ts";
import { changed, failureOf, useJobsQuery } from "../../api/queries.ts";
import { useAppDispatch, useAppSelector } from "../../app/hooks.ts";
import { newId } from "../../app/ids.ts";
import { LOCALE } from "../../app/preferences.ts";
import { useDoing } from "../../app/useDoing.ts";
import { useTitle } from "../../app/useTitle.ts";
import { useDemo } from "./useDemo.ts";

/** What can be done to a job from its card. */
export interface JobActs {
  rename(summary: JobSummary, name: string): void;
  duplicate(summary: JobSummary): void;
  bin(summary: JobSummary): void;
  takeOut(summary: JobSummary): void;
  remove(summary: JobSummary): void;
}

/** The lists of jobs and everything that changes them; null while a list is on its way. */
export function useJobs() {
  useTitle("Jobs");
  const { data: jobs = null, error } = useJobsQuery({ bin: false });
  const failure = failureOf(error);
  const { data: bin = null } = useJobsQuery({ bin: true });
  const [showsBin, showBin] = useState(false);
  const navigate = useNavigate();
  const unit = useAppSelector((state) => state.preferences.unit);

  const dispatch = useAppDispatch();
  const coming = useDemo(useCallback(() => dispatch(changed("jobs")), [dispatch]));

  const doing = useDoing();
  const changing = (work: () => Promise<unknown>, said?: string) =>
    void doing(work, { said, changes: "jobs" });
  const act: JobActs = {
    rename: (summary, name) => changing(() => rename(summary.id, name)),
    duplicate: ({ id }) => changing(() => server.duplicateJob(id)),
    bin: ({ id, name }) =>
      changing(() => server.setBinned(id, true), `“${name}” is in the bin. It can be taken out again there.`),
    takeOut: ({ id, name }) =>
      changing(() => server.setBinned(id, false), `“${name}” is back among the jobs.`),
    remove: ({ id }) => changing(() => server.deleteJob(id)),
  };
  const goTo = (work: () => Promise<{ id: string }>) =>
    doing(async () => {
      const { id } = await work();
      await navigate(`/jobs/${id}`);
    });
  const start = (kind: Kind, name: string) => void goTo(() => server.startJob(kind, name, LOCALE, unit));
  const importFile = (file: File) => goTo(async () => server.importJob(await readJsonFile(file, "job")));
  return { jobs, bin, showsBin, failure, coming, showBin, start, importFile, act };
}

async function rename(id: string, name: string): Promise<void> {
  await server.sendEdits(id, undefined, [{ id: newId(), edit: { do: "rename", name } }]);
}
