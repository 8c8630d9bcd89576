import { useEffect, useState } from "react";
import { address, server } from "../../api/client.ts";

/** The address by which guests take a set along; null before it is known, and where telephones cannot reach this page. */
export function useSetLink(event: string, set: number | null): string | null {
  const [link, setLink] = useState<{ of: string; link: string } | null>(null);
  const key = `${event} ${set}`;
  useEffect(() => {
    if (set === null || isOnlyHere()) return undefined;
    let gone = false;
    server.setLink(event, set).then(
      (found) => !gone && setLink({ of: `${event} ${set}`, link: found.link }),
      () => undefined,
    );
    return () => {
      gone = true;
    };
  }, [event, set]);
  return link?.of === key ? address.takenPage(link.link) : null;
}

/** Names of this very computer, which no telephone reaches. */
const LOOPBACK = new Set(["localhost", "127.0.0.1", "[::1]"]);

/** Whether this page’s address is one that only this computer reaches. */
export const isOnlyHere = (): boolean => LOOPBACK.has(location.hostname);
