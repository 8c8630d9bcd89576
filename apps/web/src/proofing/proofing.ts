import type { SoftProofSetup } from "@wide-quilt/colour";
import { newestOnly } from "../app/newestOnly.ts";

/** What the thread that proves colours is asked: addresses of the picture and of the profiles, and how. */
export interface ProofingTask {
  /** A picture whose pixels are of the `wide` profile. */
  picture: string;
  wide: string;
  printer: string;
  screen: string;
  setup: SoftProofSetup;
}

/** The sheet as it will look, and the share of it that is outside of what can be printed. */
export interface Proved {
  picture: Blob;
  outside: number;
}

export type ProofingAnswer = Proved | { failed: string };

const ask = newestOnly<ProofingTask, ProofingAnswer>(
  () => new Worker(new URL("./proofing.worker.ts", import.meta.url), { type: "module" }),
);

/** Has a sheet proved in a thread of its own. Throws an Error with a sentence. */
export async function prove(task: ProofingTask): Promise<Proved> {
  const answer = await ask(task);
  if ("failed" in answer) throw new Error(answer.failed);
  return answer;
}
