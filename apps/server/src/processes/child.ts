import { Worker } from "node:worker_threads";
import { Cancelled, type Progress } from "@wide-quilt/painters";
import { Problem } from "../safety/problem.ts";
import type { Failure, FromChild, ToChild } from "./messages.ts";

/** How work in a process is followed by who asked for it. */
export interface Asked {
  /** Stopped once the one who asked wants no answer any more. */
  signal: AbortSignal;
  progress(progress: Progress): void;
  /** Waits for its turn. */
  next(): Promise<void>;
}

/** What a process can be asked for. */
export type Services = Record<string, (of: never, asked: Asked) => Promise<unknown>>;

/** Answers whoever started this process, one question after the other, until that one is gone. */
export function serve(services: Services): void {
  const tell = (message: FromChild) => process.connected && process.send!(message);
  const going = new Map<number, AbortController>();
  const turns = new Map<number, () => void>();
  process.on("message", (message: ToChild) => {
    if ("stop" in message) {
      going.get(message.stop)?.abort();
      turns.get(message.stop)?.();
    } else if ("turn" in message) turns.get(message.turn)?.();
    else void answer(message);
  });
  process.on("disconnect", () => process.exit());
  // Ctrl C reaches every process of a terminal; whoever started this one says when it is over.
  process.on("SIGINT", () => undefined);
  endWithParent();

  async function answer({ ask, what, of }: Extract<ToChild, { ask: number }>): Promise<void> {
    const stop = new AbortController();
    going.set(ask, stop);
    const asked: Asked = {
      signal: stop.signal,
      progress: (is) => tell({ progress: ask, is }),
      next: async () => {
        const turn = new Promise<void>((go) => turns.set(ask, go));
        tell({ waits: ask });
        await turn;
        turns.delete(ask);
        if (stop.signal.aborted) throw new Cancelled();
      },
    };
    try {
      tell({ answer: ask, is: await services[what]!(of as never, asked) });
    } catch (error) {
      tell({ failed: ask, as: failureOf(error) });
    } finally {
      going.delete(ask);
    }
  }
}

function failureOf(error: unknown): Failure {
  const { name = "Error", message = String(error), code } = error as Partial<Error> & { code?: string };
  const failure = { name, message, ...(typeof code === "string" && { code }) };
  if (!(error instanceof Problem)) return failure;
  const { status, type, title } = error;
  return { ...failure, problem: { status, type, title } };
}

/** How often it is looked whether the parent is still there, in milliseconds. */
const LOOK = 1000;

/**
 * Ends this process with the one that started it, even while it is stuck inside native code: a thread of its own looks
 * who the parent is.
 */
function endWithParent(): void {
  const watch = `
    const parent = ${process.ppid};
    setInterval(() => process.ppid === parent || process.kill(${process.pid}, "SIGKILL"), ${LOOK});`;
  new Worker(watch, { eval: true }).unref();
}
