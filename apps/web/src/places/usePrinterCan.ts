import type { PrinterCan } from "@wide-quilt/ipp";
import { useEffect, useState } from "react";
import { server } from "../api/client.ts";
import { sentenceOf } from "../api/problem.ts";

export interface Asking {
  can: PrinterCan | null;
  /** Why it did not answer, in a sentence. */
  why: string | null;
  again(): void;
}

/** What the printer at an address says it can do; asked again by hand. */
export function usePrinterCan(address: string): Asking {
  const [round, setRound] = useState(0);
  const asked = `${round} ${address}`;
  const [answer, setAnswer] = useState<{ to: string; can: PrinterCan | null; why: string | null } | null>(
    null,
  );
  useEffect(() => {
    let left = false;
    const keep = (can: PrinterCan | null, why: string | null) => !left && setAnswer({ to: asked, can, why });
    server.printerCan(address).then(
      (can) => keep(can, null),
      (error: unknown) => keep(null, sentenceOf(error)),
    );
    return () => {
      left = true;
    };
  }, [asked, address]);
  const known = answer?.to === asked ? answer : null;
  return { can: known?.can ?? null, why: known?.why ?? null, again: () => setRound(round + 1) };
}
