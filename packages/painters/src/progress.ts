/** How far a piece of long work is. */
export interface Progress {
  /** What is being done, in the words shown beside the count: "cells", "sheets". */
  what: string;
  done: number;
  of: number;
}

/** Long work reports here, and asks whether it is still wanted. */
export interface Watch {
  progress?(progress: Progress): void;
  /** Stops it once nobody waits for the result any more. */
  signal?: AbortSignal;
  /** Waits before each further sheet until it may be painted; left out, it always may. */
  next?(): Promise<void>;
}

/** Thrown by long work that was cancelled. */
export class Cancelled extends Error {
  override name = "Cancelled";
  constructor() {
    super("The work was cancelled.");
  }
}

/** Lets the event loop take in a cancellation, then stops if there was one. */
export async function goOn(watch: Watch): Promise<void> {
  await new Promise((resolve) => setImmediate(resolve));
  if (watch.signal?.aborted) throw new Cancelled();
}
