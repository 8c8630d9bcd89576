import { spawn, spawnSync, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { createRequire } from "node:module";

const MAIN = createRequire(import.meta.url).resolve("@wide-quilt/server/dist/main.js");

/** A server of our own, built, over a data folder, as a person starts it. */
export class Server {
  private constructor(
    private process: ChildProcess,
    readonly data: string,
    readonly address: string,
  ) {}

  get pid(): number {
    return this.process.pid!;
  }

  get port(): string {
    return new URL(this.address).port;
  }

  /** Starts it with nothing in it. */
  static start(data: string, ...more: string[]): Promise<Server> {
    return Server.run(data, "--empty", ...more);
  }

  /** Starts it with the demo, whose photos are rendered first. */
  static async demo(data: string): Promise<Server> {
    const server = await Server.run(data);
    const view = async () =>
      (await (await fetch(`${server.address}/api/demo`)).json()) as { coming: unknown };
    while ((await view()).coming !== null) await new Promise((resolve) => setTimeout(resolve, 300));
    await server.looked();
    return server;
  }

  /** Waits until every photo that is here was looked at. */
  async looked(): Promise<void> {
    for (;;) {
      const search = await (await fetch(`${this.address}/api/heads`)).json();
      const { of, studies } = search as { of: number; studies: number };
      if (of + studies === 0) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }

  /** Starts it with exactly these arguments, and gives back how it ended and what it said, for starts that are refused. */
  static refused(...args: string[]): { code: number | null; said: string } {
    const { status, stderr } = spawnSync(process.execPath, [MAIN, ...args], {
      encoding: "utf8",
      timeout: 30_000,
    });
    return { code: status, said: stderr };
  }

  /** Starts it and ends it as a power cut would, after so many milliseconds, ready or not. */
  static async killedAfter(data: string, time: number): Promise<void> {
    const child = spawn(process.execPath, [MAIN, "--data", data, "--port", "0", "--empty"], {
      stdio: "ignore",
    });
    const gone = once(child, "exit");
    const timer = setTimeout(() => child.kill("SIGKILL"), time);
    await gone;
    clearTimeout(timer);
  }

  private static async run(data: string, ...more: string[]): Promise<Server> {
    const args = [
      // As `npm start` has it.
      "--min-semi-space-size=16",
      "--max-semi-space-size=64",
      MAIN,
      "--data",
      data,
      "--port",
      "0",
      "--printer-ports",
      "any",
      ...more,
    ];
    const child = spawn(process.execPath, args, { stdio: ["ignore", "pipe", "inherit"] });
    const address = await new Promise<string>((resolve, reject) => {
      let said = "";
      child.stdout!.on("data", (chunk: Buffer) => {
        said += chunk.toString();
        const found = /ready at (https?:\S+)\//.exec(said)?.[1];
        if (found) resolve(found);
      });
      child.once("exit", (code) => reject(new Error(`The server ended with ${code}: ${said}`)));
    });
    return new Server(child, data, address);
  }

  /** Ends it as a power cut would. */
  kill(): Promise<void> {
    return this.end("SIGKILL");
  }

  /** Ends it as a person does, who presses Ctrl C. */
  stop(): Promise<void> {
    return this.end("SIGTERM");
  }

  private async end(signal: NodeJS.Signals): Promise<void> {
    if (this.process.exitCode !== null || this.process.signalCode !== null) return;
    const gone = once(this.process, "exit");
    this.process.kill(signal);
    await gone;
  }
}
