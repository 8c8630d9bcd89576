import { homedir } from "node:os";
import { join, resolve } from "node:path";
import type { KeptView } from "@wide-quilt/server/contract";
import { ask, runningOver } from "./running.ts";
import { Said } from "./said.ts";

/** What can be cleared: photos and graphics that nothing uses, and copies from before upgrades. */
const CLEARED = ["unused photos", "unused graphics", "copies"] as const;

/**
 * Says what a running Wide Quilt keeps, and clears of it what nothing uses where that is asked for. The server is found by
 * its data folder. Throws Said.
 */
export async function kept(data: string | undefined, clears: boolean): Promise<string[]> {
  const folder = resolve(data ?? join(homedir(), ".local/share/wide-quilt/work"));
  const running = await runningOver(folder);
  const told = async (path: string, body?: object): Promise<KeptView> => {
    const { status, text } = await ask(running, `/kept${path}`, body);
    const answer = JSON.parse(text) as KeptView | { detail: string };
    if (status < 300) return answer as KeptView;
    throw new Said((answer as { detail: string }).detail);
  };
  if (clears) for (const what of CLEARED) await told("/clear", { what });
  const { parts } = await told("");
  return parts.map(
    ({ what, count, bytes }) => `${what.padEnd(16)} ${String(count).padStart(7)}  ${megabytes(bytes)}`,
  );
}

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1).padStart(9)} MB`;
