import { useCallback, useEffect, useState } from "react";
import { useNavigate } from "react-router";
import type { JobSummary } from "@wide-quilt/server/contract";
import { server } from "../../api/client.ts";
import { sentenceOf } from "../../api/problem.ts";
import { LOCALE } from "../../app/preferences.ts";
import { useAppDispatch } from "../../app/store.ts";
import { noticed } from "../../table/view.ts";

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
  const [jobs, setJobs] = useState<JobSummary[] | null>(null);
  const [bin, setBin] = useState<JobSummary[] | null>(null);
  const [showsBin, showBin] = useState(false);
  const [failure, setFailure] = useState<string | null>(null);
  const dispatch = useAppDispatch();
  const navigate = useNavigate();

  const load = useCallback(async () => {
    try {
      const [going, binned] = await Promise.all([server.listJobs(false), server.listJobs(true)]);
      setJobs(going);
      setBin(binned);
      setFailure(null);
    } catch (error) {
      setFailure(sentenceOf(error));
    }
  }, []);
  useEffect(() => {
    document.title = "Jobs – Wide Quilt";
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the list is set once the server has answered
    void load();
  }, [load]);

  const doing = async (work: () => Promise<unknown>, said?: string) => {
    try {
      await work();
      await load();
      if (said) dispatch(noticed(said, "right"));
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
  const act: JobActs = {
    rename: (summary, name) => void doing(() => rename(summary.id, name)),
    duplicate: ({ id }) => void doing(() => server.duplicateJob(id)),
    bin: ({ id, job }) =>
      void doing(
        () => server.setBinned(id, true),
        `“${job.name}” is in the bin. It can be taken out again there.`,
      ),
    takeOut: ({ id, job }) =>
      void doing(() => server.setBinned(id, false), `“${job.name}” is back among the jobs.`),
    remove: ({ id }) => void doing(() => server.deleteJob(id)),
  };
  const goTo = async (work: () => Promise<{ id: string }>) => {
    try {
      const { id } = await work();
      await navigate(`/jobs/${id}`);
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
    }
  };
  const start = (name: string) => void goTo(() => server.startJob(name, LOCALE));
  const importFile = async (file: File) => {
    let read: unknown;
    try {
      read = JSON.parse(await file.text());
    } catch {
      dispatch(
        noticed(
          `${file.name} is not a job file: it is not JSON. Choose a file that ends in .job.json.`,
          "wrong",
        ),
      );
      return;
    }
    await goTo(() => server.importJob(read));
  };
  return { jobs, bin, showsBin, failure, showBin, start, importFile, act };
}

async function rename(id: string, name: string): Promise<void> {
  const { version } = await server.viewJob(id);
  await server.sendEdits(id, version, [{ id: crypto.randomUUID(), edit: { do: "rename", name } }]);
}
