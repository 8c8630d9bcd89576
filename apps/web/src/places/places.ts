import type { Printer } from "@wide-quilt/core";
import type { ProfileView } from "@wide-quilt/server/contract";
import { usePrintersQuery, useProfilesQuery } from "../api/queries.ts";

/** The printers and profiles as the server keeps them; none until they came. */
export function usePlaces(): { printers: readonly Printer[]; profiles: readonly ProfileView[] } {
  const { data: printers = NONE } = usePrintersQuery();
  const { data: profiles = NONE } = useProfilesQuery();
  return { printers, profiles };
}

const NONE: readonly never[] = [];
