import { spawn, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";

export interface Measured {
  milliseconds: number;
  /** Peak resident memory, MB. */
  peak: number;
}

/** The most memory a process has had so far, MB. */
export function peakOf(pid: number): number {
  const status = readFileSync(`/proc/${pid}/status`, "utf8");
  return Number(/VmHWM:\s+(\d+)/.exec(status)![1]) / 1024;
}

/** Runs one of the built scripts in a process of its own; it prints its milliseconds, start-up not counted. */
export async function alone(name: string, ...args: string[]): Promise<Measured> {
  const script = fileURLToPath(new URL(`./${name}.js`, import.meta.url));
  const child: ChildProcess = spawn(process.execPath, [script, ...args], {
    stdio: ["ignore", "pipe", "inherit"],
  });
  let said = "";
  child.stdout!.on("data", (chunk: Buffer) => (said += chunk.toString()));
  const [code] = (await once(child, "close")) as [number];
  if (code !== 0) throw new Error(`${name} ended with ${code}`);
  const [milliseconds, peak] = said.trim().split(" ").map(Number);
  return { milliseconds: milliseconds!, peak: peak! };
}

export const median = (values: number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** The middle of several measurements, time and memory each for themselves. */
export const middle = (all: Measured[]): Measured => ({
  milliseconds: median(all.map(({ milliseconds }) => milliseconds)),
  peak: median(all.map(({ peak }) => peak)),
});

/** One line of the result: ours, theirs, the ratio and the bar it has to keep under. */
export function report(what: string, ours: Measured, theirs: Measured, bar: number): void {
  const ratio = ours.milliseconds / theirs.milliseconds;
  const ms = (value: number) => `${value.toFixed(0)} ms`;
  console.log(
    `${what}\n  ours ${ms(ours.milliseconds)} (peak ${ours.peak.toFixed(0)} MB), bare script ${ms(theirs.milliseconds)} (peak ${theirs.peak.toFixed(0)} MB)` +
      `\n  ratio ${ratio.toFixed(2)}, bar ${bar}: ${ratio <= bar ? "kept" : "NOT kept"}`,
  );
}
