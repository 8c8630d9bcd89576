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

export type ProofingAnswer =
  { id: number; picture: ImageBitmap; outside: number } | { id: number; failed: string };

let worker: Worker | null = null;
let next = 1;
const waiting = new Map<number, (answer: ProofingAnswer) => void>();

/** Has a sheet proved in a thread of its own. Throws an Error with a sentence. */
export async function prove(
  task: Omit<ProofingTask, "id">,
): Promise<{ picture: ImageBitmap; outside: number }> {
  worker ??= started();
  const id = next++;
  const answer = await new Promise<ProofingAnswer>((resolve) => {
    waiting.set(id, resolve);
    worker!.postMessage({ id, ...task } satisfies ProofingTask);
  });
  if ("failed" in answer) throw new Error(answer.failed);
  return answer;
}

function started(): Worker {
  const own = new Worker(new URL("./proofing.worker.ts", import.meta.url), { type: "module" });
  own.addEventListener("message", ({ data }: MessageEvent<ProofingAnswer>) => {
    waiting.get(data.id)?.(data);
    waiting.delete(data.id);
  });
  return own;
}
