import { availableParallelism } from "node:os";
import { Worker } from "node:worker_threads";
import { Injectable, type OnModuleDestroy } from "@nestjs/common";
import { Cancelled, type Progress } from "@wide-quilt/painters";
import { Queue } from "../photos/queue.ts";
import type { FromWorker, Painted, PaintTask, ToWorker } from "./task.ts";

/** A painting that is under way or waits for its turn. */
export interface Painting {
  result: Promise<Painted>;
  cancel(): void;
}

/** Worker threads that paint, as many as the machine has processors, started when first needed. */
@Injectable()
export class PaintPool implements OnModuleDestroy {
  private readonly queue = new Queue(availableParallelism());
  private readonly idle: Worker[] = [];
  private readonly all = new Set<Worker>();

  paint(task: PaintTask, progress: (progress: Progress) => void = () => undefined): Painting {
    let cancelled = false;
    let worker: Worker | undefined;
    const result = this.queue.run(async () => {
      if (cancelled) throw new Cancelled();
      worker = this.idle.pop() ?? this.startWorker();
      try {
        return await this.work(worker, task, progress);
      } finally {
        if (this.all.has(worker)) this.idle.push(worker);
        // The thread is another task's from here on: a late cancel must not reach it.
        worker = undefined;
      }
    });
    const cancel = () => {
      cancelled = true;
      worker?.postMessage({ cancel: true } satisfies ToWorker);
    };
    return { result, cancel };
  }

  async onModuleDestroy(): Promise<void> {
    await Promise.all([...this.all].map((worker) => worker.terminate()));
  }

  private startWorker(): Worker {
    const worker = new Worker(new URL("./paint.worker.js", import.meta.url));
    this.all.add(worker);
    // A thread that dies takes only its own task along; the next task gets a new one.
    worker.once("exit", () => {
      this.all.delete(worker);
      const at = this.idle.indexOf(worker);
      if (at >= 0) this.idle.splice(at, 1);
    });
    return worker;
  }

  private work(worker: Worker, task: PaintTask, progress: (p: Progress) => void): Promise<Painted> {
    return new Promise((resolve, reject) => {
      const settle = (act: () => void) => {
        worker.off("message", listen).off("error", fail).off("exit", gone);
        act();
      };
      const listen = (message: FromWorker) => {
        if ("progress" in message) progress(message.progress);
        else if ("done" in message) settle(() => resolve(message.done));
        else if ("cancelled" in message) settle(() => reject(new Cancelled()));
        else settle(() => reject(Object.assign(new Error(message.failed), { code: message.code })));
      };
      const fail = (error: unknown) => settle(() => reject(error));
      const gone = () =>
        settle(() => reject(new Error("The painting thread ended before its work was done.")));
      worker.on("message", listen).on("error", fail).on("exit", gone);
      worker.postMessage({ paint: task } satisfies ToWorker);
    });
  }
}
