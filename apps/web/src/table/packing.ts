import type { Packing, PackQuestion } from "@wide-quilt/core";

/** What the worker is asked, and what it answers as it goes. */
export interface PackingTask {
  question: PackQuestion;
  /** Milliseconds to look for. */
  budget: number;
}

export interface PackingAnswer {
  /** Null when nothing better than before was found. */
  packing: Packing | null;
  done: boolean;
}

/** Milliseconds before a search begins: while a figure is being dragged, none is started. */
const PAUSE = 150;
const BUDGET = 300;

let worker: Worker | null = null;
let waiting: ReturnType<typeof setTimeout> | undefined;

/**
 * Looks in a worker for a better arrangement than the one that is shown at once. A new search ends the one before. The
 * answer is called with each better arrangement, and once more at the end.
 */
export function searchPacking(
  question: PackQuestion,
  answer: (packing: Packing | null, done: boolean) => void,
): void {
  clearTimeout(waiting);
  worker?.terminate();
  worker = null;
  if (typeof Worker === "undefined") return answer(null, true);
  waiting = setTimeout(() => {
    const own = new Worker(new URL("./packing.worker.ts", import.meta.url), { type: "module" });
    worker = own;
    own.onmessage = ({ data }: MessageEvent<PackingAnswer>) => {
      answer(data.packing, data.done);
      if (data.done) own.terminate();
    };
    own.onerror = () => answer(null, true);
    own.postMessage({ question, budget: BUDGET } satisfies PackingTask);
  }, PAUSE);
}
