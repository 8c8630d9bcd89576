import type { SoftProofSetup } from "@wide-quilt/colour";

/** What the thread that proves colours is asked: addresses of the picture and of the profiles, and how. */
export interface ProofingTask {
  id: number;
  /** A picture whose pixels are of the `wide` profile. */
  picture: string;
  wide: string;
  printer: string;
  screen: string;
  setup: SoftProofSetup;
}

export type ProofingAnswer = { id: number; picture: Blob; outside: number } | { id: number; failed: string };

interface Asked {
  task: ProofingTask;
  answer(answer: ProofingAnswer): void;
}

let worker: Worker | null = null;
let next = 1;
let running: Asked | null = null;
let held: Asked | null = null;

/**
 * Has a sheet proved in a thread of its own. While it works only the newest question is held; one that was asked
 * meanwhile and is not wanted any more is never answered. Throws an Error with a sentence.
 */
export async function prove(task: Omit<ProofingTask, "id">): Promise<{ picture: Blob; outside: number }> {
  worker ??= started();
  const answer = await new Promise<ProofingAnswer>((resolve) => {
    held = { task: { id: next++, ...task }, answer: resolve };
    if (!running) go();
  });
  if ("failed" in answer) throw new Error(answer.failed);
  return answer;
}

function go(): void {
  running = held;
  held = null;
  if (running) worker!.postMessage(running.task);
}

function started(): Worker {
  const own = new Worker(new URL("./proofing.worker.ts", import.meta.url), { type: "module" });
  own.addEventListener("message", ({ data }: MessageEvent<ProofingAnswer>) => {
    running?.answer(data);
    go();
  });
  return own;
}
