import { once } from "node:events";
import { Worker } from "node:worker_threads";

/**
 * A loop that has nothing to do: when it stands still, it is the machine that does, busy with something else. What a
 * server is blamed for is what it stands still beyond that.
 */
export class IdleLoop {
  private readonly worker = new Worker(
    `
    const { parentPort } = require("node:worker_threads");
    const delays = require("node:perf_hooks").monitorEventLoopDelay({ resolution: 10 });
    delays.enable();
    parentPort.on("message", () => {
      parentPort.postMessage(Math.max(0, delays.max / 1e6 - 10));
      delays.reset();
    });`,
    { eval: true },
  );

  /** The longest that it stood still since this was last asked, in milliseconds. */
  async longest(): Promise<number> {
    const said = once(this.worker, "message");
    this.worker.postMessage("asked");
    return ((await said) as [number])[0];
  }

  end(): Promise<number> {
    return this.worker.terminate();
  }
}
