import type { Printer } from "@wide-quilt/core";
import type { ProfileView } from "@wide-quilt/server/contract";
import { useEffect } from "react";
import { server } from "../api/client.ts";
import { sentenceOf } from "../api/problem.ts";
import { useAppDispatch, useAppSelector } from "../app/hooks.ts";
import { noticed } from "../app/noticeSlice.ts";
import type { Dispatch } from "../app/store.ts";
import { printersCame, profilesCame } from "./placeSlice.ts";

/** Does something on the server, then fetches both lists; says what went wrong. Gives back what was done. */
export const atPlaces =
  <T>(first?: () => Promise<T>) =>
  async (dispatch: Dispatch): Promise<T | null> => {
    try {
      const done = (await first?.()) ?? null;
      const [printers, profiles] = await Promise.all([server.listPrinters(), server.listProfiles()]);
      dispatch(printersCame(printers));
      dispatch(profilesCame(profiles));
      return done;
    } catch (error) {
      dispatch(noticed(sentenceOf(error), "wrong"));
      return null;
    }
  };

/** The printers and profiles, fetched when they are first looked at. */
export function usePlaces(): { printers: readonly Printer[]; profiles: readonly ProfileView[] } {
  const dispatch = useAppDispatch();
  const printers = useAppSelector((state) => state.places.printers);
  const profiles = useAppSelector((state) => state.places.profiles);
  useEffect(() => void dispatch(atPlaces()), [dispatch]);
  return { printers: printers ?? NONE, profiles: profiles ?? NONE };
}

const NONE: readonly never[] = [];
