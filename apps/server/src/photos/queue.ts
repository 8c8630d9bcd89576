import { availableParallelism } from "node:os";

/** Runs work a few at a time, in the order it came. */
export class Queue {
  private readonly waiting: (() => void)[] = [];
  private running = 0;

  constructor(private readonly atOnce = availableParallelism()) {}

  async run<T>(work: () => Promise<T>): Promise<T> {
    if (this.running >= this.atOnce) await new Promise<void>((go) => this.waiting.push(go));
    this.running++;
    try {
      return await work();
    } finally {
      this.running--;
      this.waiting.shift()?.();
    }
  }
}
