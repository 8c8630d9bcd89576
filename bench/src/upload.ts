import { execFile } from "node:child_process";
import { promisify } from "node:util";
import type { TakenIn } from "@wide-quilt/server/contract";

const run = promisify(execFile);

/**
 * Sends one file as multipart with curl: the client shares the processors with the server that is measured, so it has
 * to cost as little as can be.
 */
export async function upload(address: string, path: string): Promise<TakenIn> {
  const { stdout } = await run("curl", ["-sS", "-F", `photos=@${path}`, `${address}/api/photos`]);
  return JSON.parse(stdout) as TakenIn;
}
