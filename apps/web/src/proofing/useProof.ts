import type { Proof } from "@wide-quilt/server/contract";
import { useEffect, useState } from "react";
import { server } from "../api/client.ts";
import { sentenceOf } from "../api/problem.ts";

/** Milliseconds between two looks at how far a proof is. */
const LOOK = 150;
/** A slider that is still moving is not asked for: this long it has to rest. */
const REST = 200;

export interface ProofState {
  /** The last proof that was finished; stays while the next one is painted. */
  shown: Proof | null;
  /** The one that is being painted. */
  coming: Proof | null;
  failure: string | null;
  /** Asks once more after a failure. */
  again(): void;
  cancel(): void;
}

/** Has one sheet painted whenever the settings or the job change, and cancels what is not wanted any more. */
export function useProof(
  jobId: string,
  ask: { sheet: number; wide: boolean } | null,
  version: number,
): ProofState {
  const [shown, setShown] = useState<Proof | null>(null);
  const [coming, setComing] = useState<Proof | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [attempt, setAttempt] = useState(0);
  const key = ask && `${ask.sheet} ${ask.wide}`;
  useEffect(() => {
    if (!ask) return;
    let wanted = true;
    let id: string | null = null;
    const follow = async () => {
      let proof = await server.askProof(jobId, ask.sheet, ask.wide);
      id = proof.id;
      while (wanted && proof.state === "painting") {
        setComing(proof);
        await new Promise((go) => setTimeout(go, LOOK));
        proof = await server.proof(proof.id);
      }
      if (!wanted) return;
      setComing(null);
      if (proof.state === "done") setShown(proof);
      else if (proof.state === "cancelled") setFailure("The painting was cancelled.");
      else setFailure(proof.why);
    };
    const timer = setTimeout(() => {
      setFailure(null);
      follow().catch((error: unknown) => {
        if (!wanted) return;
        setComing(null);
        setFailure(sentenceOf(error));
      });
    }, REST);
    return () => {
      wanted = false;
      clearTimeout(timer);
      if (id !== null) void server.cancelProof(id).catch(() => undefined);
    };
    // The question is compared by what it asks, not by its object.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [jobId, key, version, attempt]);
  return {
    shown,
    coming,
    failure,
    again: () => setAttempt((before) => before + 1),
    cancel: () => coming && void server.cancelProof(coming.id),
  };
}
