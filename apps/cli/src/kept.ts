import { readFile } from "node:fs/promises";
import { homedir } from "node:os";
import { join, resolve } from "node:path";
import type { KeptView } from "@wide-quilt/server/contract";
import { Said } from "./said.ts";

/** What can be cleared: photos and graphics that nothing uses, and copies from before upgrades. */
const CLEARED = ["unused photos", "unused graphics", "copies"] as const;

/**
 * Says what a running Wide Quilt keeps, and clears of it what nothing uses where that is asked for. The server is found by
 * its data folder. Throws Said.
 */
export async function kept(data: string | undefined, clears: boolean): Promise<string[]> {
  const folder = resolve(data ?? join(homedir(), ".local/share/wide-quilt/work"));
  const address = await addressOf(folder);
  const ask = async (path: string, body?: object): Promise<KeptView> => {
    const key = process.env.WIDE_QUILT_KEY;
    const headers = {
      "Content-Type": "application/json",
      ...(key !== undefined && { Authorization: `Bearer ${key}` }),
    };
    const response = await fetch(`${address}api/kept${path}`, {
      method: body ? "POST" : "GET",
      headers,
      body: body && JSON.stringify(body),
    }).catch(() => {
      throw new Said(`Wide Quilt does not answer at ${address}. Start it, then ask again.`);
    });
    if (response.ok) return (await response.json()) as KeptView;
    const { detail } = (await response.json()) as { detail: string };
    throw new Said(detail);
  };
  if (clears) for (const what of CLEARED) await ask("/clear", { what });
  const { parts } = await ask("");
  return parts.map(
    ({ what, count, bytes }) => `${what.padEnd(16)} ${String(count).padStart(7)}  ${megabytes(bytes)}`,
  );
}

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1).padStart(9)} MB`;

async function addressOf(folder: string): Promise<string> {
  try {
    const note = await readFile(join(folder, "wide-quilt", "running.json"), "utf8");
    return (JSON.parse(note) as { address: string }).address;
  } catch {
    throw new Said(`No Wide Quilt runs over ${folder}. Start it, or say which folder with --data DIR.`);
  }
}
