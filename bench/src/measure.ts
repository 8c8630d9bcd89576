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

const middle = (all: readonly Measured[]): Measured => ({
  milliseconds: median(all.map(({ milliseconds }) => milliseconds)),
  peak: median(all.map(({ peak }) => peak)),
});

/**
 * The result of several rounds, ours and theirs in turns. The ratio is the median of the rounds' own ratios: what slows
 * the machine for a while slows both halves of a round.
 */
export function report(
  what: string,
  ours: readonly Measured[],
  theirs: readonly Measured[],
  bar: number,
): void {
  const ratios = ours.map(({ milliseconds }, i) => milliseconds / theirs[i]!.milliseconds);
  const ratio = median(ratios);
  const say = ({ milliseconds, peak }: Measured) =>
    `${milliseconds.toFixed(0)} ms (peak ${peak.toFixed(0)} MB)`;
  const spread = `${Math.min(...ratios).toFixed(2)} to ${Math.max(...ratios).toFixed(2)} in ${ratios.length} rounds`;
  console.log(
    `${what}\n  ours ${say(middle(ours))}, bare script ${say(middle(theirs))}` +
      `\n  ratio ${ratio.toFixed(2)} (${spread}), bar ${bar}: ${ratio <= bar ? "kept" : "NOT kept"}`,
  );
}
