import { skipToken } from "@reduxjs/toolkit/query";
import { address } from "../../api/client.ts";
import { useSetLinkQuery } from "../../api/queries.ts";

/** The address by which guests take a set along; null before it is known, and where telephones cannot reach this page. */
export function useSetLink(event: string, set: number | null): string | null {
  const { currentData: link } = useSetLinkQuery(set === null || isOnlyHere() ? skipToken : { event, set });
  return link === undefined ? null : address.takenPage(link);
}

/** Names of this very computer, which no telephone reaches. */
const LOOPBACK = new Set(["localhost", "127.0.0.1", "[::1]"]);

/** Whether this page’s address is one that only this computer reaches. */
export const isOnlyHere = (): boolean => LOOPBACK.has(location.hostname);
