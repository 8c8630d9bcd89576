import type { Job } from "@wide-quilt/core";
import { useEffect } from "react";
import { useParams } from "react-router";
import { open } from "../table/edits.ts";
import { useAppDispatch, useAppSelector } from "./hooks.ts";
import { useTitle } from "./useTitle.ts";

/** The job that the address names, opened where it is not; its name stands in the window's title after what is seen of it. */
export function useOpenJob(seen: string): {
  id: string;
  job: Job | null;
  failure: string | null;
  /** Whether the server does not answer. */
  waits: boolean;
} {
  const { id = "" } = useParams();
  const dispatch = useAppDispatch();
  const { job, id: openId, failure, waits } = useAppSelector((state) => state.openJob);
  const isHere = openId === id;
  useEffect(() => {
    if (id && !isHere) void dispatch(open(id));
  }, [dispatch, id, isHere]);
  useTitle(job ? `${seen}: ${job.name}` : seen);
  return { id, job: isHere ? job : null, failure, waits };
}
