import { fork, type ChildProcess } from "node:child_process";
import { readFileSync } from "node:fs";
import { setPriority } from "node:os";
import { BadPhoto, Cancelled, type Progress } from "@wide-quilt/painters";
import { Problem } from "../safety/problem.ts";
import type { Failure, FromChild, ToChild } from "./messages.ts";

/** How far a piece of work may go, and who follows it. */
export interface Terms {
  /** Milliseconds that it, or each sheet of it, may take; waiting for turns is not counted. */
  time: number;
  /** Bytes of memory that its process may come to hold. */
  memory: number;
  signal?: AbortSignal;
  progress?(progress: Progress): void;
  /** Waits until work may go on with its next sheet; left out, it always may. */
  turn?(): Promise<void>;
}

/** A process ended in the middle of work, by a fault in native code or because it went beyond its terms. */
export class Ended extends Error {
  override name = "Ended";
  constructor(
    /** What a person is told: “took longer than 10 s”. */
    readonly why: string,
    /** Whether doing it again may go otherwise. */
    readonly isWorthARetry: boolean,
  ) {
    super(`The work ${why}.`);
  }
}

/** How often the memory of a process at work is looked at, in milliseconds. */
const LOOK = 100;
/** Bytes of a page of memory, as /proc counts them. */
const PAGE = 4096;

/** Whether work gives way to what somebody waits for, and how far (nice, 19 at most). */
export interface HelperSetup {
  background?: boolean;
  priority?: number;
}
const BACKGROUND = 10;

let asks = 0;

/** One process of ours that does one piece of work at a time, and may die of it. */
export class Helper {
  private readonly child: ChildProcess;
  isAlive = true;

  constructor(entry: URL, { background = false, priority = BACKGROUND }: HelperSetup = {}) {
    // What it says goes to nobody: faults of native code are told by how it ended.
    this.child = fork(entry, {
      serialization: "advanced",
      stdio: ["ignore", "ignore", "ignore", "ipc"],
      execArgv: ["--max-semi-space-size=64"],
    });
    this.child.once("exit", () => (this.isAlive = false));
    // A message to one that is just ending is no fault: its end is told by “exit”.
    this.child.on("error", () => undefined);
    if (background && this.child.pid !== undefined) lowerPriority(this.child.pid, priority);
  }

  /** Has something done. Throws Ended, Cancelled, BadPhoto, and what the work throws. */
  ask<T>(what: string, of: unknown, { time, memory, signal, progress, turn }: Terms): Promise<T> {
    const ask = ++asks;
    return new Promise<T>((resolve, reject) => {
      if (signal?.aborted) return reject(new Cancelled());
      if (!this.isAlive) return reject(new Ended("had no process", true));
      let left = time;
      let since = performance.now();
      let isWaiting = false;
      let beyond: string | null = null;
      const kill = (why: string) => {
        beyond = why;
        this.child.kill("SIGKILL");
      };
      const looking = setInterval(() => {
        // A computer that slept, or whose clock was set, did not work meanwhile.
        const now = performance.now();
        if (!isWaiting) left -= now - since;
        since = now;
        if (left < 0) kill(`took longer than ${Math.round(time / 1000)} s`);
        else if (memoryOf(this.child.pid!) > memory)
          kill(`took more than ${Math.round(memory / 1e6)} MB of memory`);
      }, LOOK);
      const settle = (act: () => void) => {
        clearInterval(looking);
        this.child.off("message", listen).off("exit", gone);
        signal?.removeEventListener("abort", stop);
        act();
      };
      const listen = (message: FromChild) => {
        if ("answer" in message && message.answer === ask) settle(() => resolve(message.is as T));
        else if ("failed" in message && message.failed === ask) settle(() => reject(errorOf(message.as)));
        else if ("progress" in message && message.progress === ask) progress?.(message.is);
        else if ("waits" in message && message.waits === ask) {
          // Every sheet has its own time.
          left = time;
          isWaiting = true;
          void (turn?.() ?? Promise.resolve()).then(() => {
            isWaiting = false;
            this.tell({ turn: ask });
          });
        }
      };
      const gone = (code: number | null, by: string | null) =>
        settle(() =>
          reject(
            signal?.aborted
              ? new Cancelled()
              : new Ended(beyond ?? `ended its process (${by ?? `code ${code}`})`, beyond === null),
          ),
        );
      const stop = () => this.tell({ stop: ask });
      this.child.on("message", listen).on("exit", gone);
      signal?.addEventListener("abort", stop);
      this.tell({ ask, what, of });
    });
  }

  end(): void {
    this.child.kill("SIGKILL");
  }

  private tell(message: ToChild): void {
    if (this.child.connected) this.child.send(message);
  }
}

/** Errors that mean something to those who ask; anything else is a fault of ours. */
function errorOf({ name, message, code, problem }: Failure): Error {
  if (problem) return new Problem(problem.status, problem.type, problem.title, message);
  if (name === "BadPhoto") return new BadPhoto(message);
  if (name === "Cancelled") return new Cancelled();
  return Object.assign(new Error(message), { name, ...(code !== undefined && { code }) });
}

/** The memory that a process holds, in bytes; 0 where the system does not tell. */
function memoryOf(pid: number): number {
  try {
    return Number(readFileSync(`/proc/${pid}/statm`, "latin1").split(" ")[1]) * PAGE;
  } catch {
    return 0;
  }
}

/** Work that nobody looks at gives way to what somebody waits for. */
function lowerPriority(pid: number, priority: number): void {
  try {
    setPriority(pid, priority);
  } catch {
    // Some systems do not allow it; then it is merely not lower.
  }
}
