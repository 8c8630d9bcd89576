import { useEffect } from "react";
import { useAppDispatch, useAppSelector } from "../app/store.ts";
import { getReady } from "../seeing/seeing.ts";
import { facesForgotten, findFaces, unmeasured } from "../table/faces.ts";

/** While a job of portraits is open, photos that come in are looked at by themselves. */
export function useFindFaces(): void {
  const dispatch = useAppDispatch();
  const id = useAppSelector((state) => state.openJob.id);
  const waits = useAppSelector((state) => unmeasured(state).length > 0);
  useEffect(() => {
    dispatch(facesForgotten());
  }, [dispatch, id]);
  const isOfPeople = useAppSelector((state) => (state.openJob.job?.ticket.kind === "portraits" ? id : null));
  useEffect(() => {
    if (isOfPeople !== null) void getReady();
  }, [isOfPeople]);
  useEffect(() => {
    if (waits) void dispatch(findFaces());
  }, [dispatch, waits]);
}
