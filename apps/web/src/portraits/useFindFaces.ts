import { useEffect } from "react";
import { useAppDispatch, useAppSelector } from "../app/hooks.ts";
import { getReady } from "../seeing/seeing.ts";
import { findFaces, selectHasPeople, unmeasured } from "../table/faces.ts";

/** While a job of portraits is open, photos that come in are looked at by themselves. */
export function useFindFaces(): void {
  const dispatch = useAppDispatch();
  const waits = useAppSelector((state) => unmeasured(state).length > 0);
  const isOfPeople = useAppSelector(selectHasPeople);
  useEffect(() => {
    if (isOfPeople) void getReady();
  }, [isOfPeople]);
  useEffect(() => {
    if (waits) void dispatch(findFaces());
  }, [dispatch, waits]);
}
